<script lang="ts">
	import type { NotebookRow } from '$lib/server/tunes';
	import LandingArc from './LandingArc.svelte';
	import { keyWords, plural } from './words';

	type Props = { tune: NotebookRow; number: number; onremove: () => void };
	let { tune, number, onremove }: Props = $props();
	const newest = $derived(tune.routes.at(-1));
	const PLACES = 19;
	const places = Array.from({ length: PLACES }, (_, i) => i + 1);
	const planned = $derived(new Set(tune.routes.map((route) => route.position)));
</script>

<tr>
	<td class="no">{number}</td>
	<td class="title">
		<a class="open" href="/tunes/{tune.id}/chart">{tune.title}</a>
		<span class="narrow">{keyWords(tune.key)} · {tune.tempo}</span>
	</td>
	<td class="wide key">{keyWords(tune.key)}</td>
	<td class="wide">{plural(tune.bars, 'bar')}, {tune.feel}</td>
	<td class="wide tempo"><span aria-hidden="true">♩</span>{tune.tempo}</td>
	<td class="arc">
		<a
			class="landing"
			href="/tunes/{tune.id}/route"
			tabindex="-1"
			aria-label="Route of {tune.title}: {newest
				? `${newest.landed} of ${newest.changes} changes land`
				: 'not planned yet'}"
		>
			<LandingArc share={newest && newest.changes > 0 ? newest.landed / newest.changes : 0} />
			{#if newest}
				<span><strong>{newest.landed}</strong> of {newest.changes}</span>
			{:else}
				<span class="none">not yet</span>
			{/if}
		</a>
	</td>
	<td class="wide">
		<div
			class="places"
			role="img"
			aria-label={planned.size > 0
				? `Planned in position ${[...planned].join(', ')}`
				: 'No place planned yet'}
		>
			{#each places as place (place)}
				<span class:planned={planned.has(place)}>{planned.has(place) ? place : ''}</span>
			{/each}
		</div>
	</td>
	<td class="wide last">
		<button type="button" onclick={onremove} aria-label="Delete {tune.title}" title="Delete">
			<svg viewBox="0 0 16 16" width="16" height="16" aria-hidden="true"
				><path d="M3 3L13 13M13 3L3 13" /></svg
			>
		</button>
	</td>
</tr>

<style>
	tr {
		position: relative;
	}
	td {
		padding: 0 16px 0 0;
		height: 46px;
		border-bottom: 1px solid var(--hair);
		white-space: nowrap;
	}
	tr:hover td,
	tr:focus-within td {
		background: var(--lit);
	}
	.no {
		width: 32px;
		font-family: var(--font-display);
		font-weight: 600;
		font-size: 21px;
		color: var(--third);
	}
	.title {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 23px;
	}
	.open {
		display: inline-block;
		padding: 4px 0;
	}
	.key {
		font-weight: 700;
	}
	.tempo {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 20px;
	}
	.tempo span {
		font-family: var(--font-sans);
		font-weight: 700;
		margin-right: 2px;
		color: var(--third);
	}
	.landing {
		display: flex;
		align-items: center;
		gap: 10px;
		white-space: nowrap;
	}
	strong {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 20px;
	}
	.none {
		color: var(--third);
	}
	.places {
		display: flex;
		gap: 2px;
		align-items: flex-end;
	}
	.places span {
		width: 12px;
		height: 20px;
		border-bottom: 1.5px solid var(--strong);
		font-size: 12px;
		font-weight: 700;
		line-height: 20px;
		text-align: center;
	}
	.places .planned {
		min-width: 16px;
		background: var(--density-4);
		border-color: var(--density-4);
		color: var(--paper);
	}
	.last {
		width: 28px;
		padding: 0;
	}
	button {
		display: grid;
		place-items: center;
		width: 28px;
		height: 28px;
		color: var(--third);
	}
	button:hover {
		color: var(--ink);
	}
	path {
		stroke: currentColor;
		stroke-width: 2;
	}
	.narrow {
		display: none;
	}
	@media (max-width: 1099px) {
		.wide:not(:nth-child(3)):not(:nth-child(8)) {
			display: none;
		}
	}
	@media (max-width: 640px) {
		.wide:not(:nth-child(8)) {
			display: none;
		}
		td {
			padding-right: 8px;
			white-space: normal;
		}
		.title {
			font-size: 19px;
			padding: 6px 8px 6px 0;
		}
		.open {
			padding: 0;
			display: block;
		}
		.narrow {
			display: block;
			font-family: var(--font-sans);
			font-weight: 400;
			font-size: 13px;
			color: var(--second);
		}
		.landing {
			justify-content: flex-end;
			gap: 6px;
		}
		.landing :global(svg) {
			width: 56px;
		}
	}
</style>
