<script lang="ts">
	import type { NotebookRow, TunePractice } from '$lib/api/home-page';
	import { dragHandle } from 'svelte-dnd-action';
	import LandingArc from '../LandingArc.svelte';
	import PlaceMarks from './PlaceMarks.svelte';
	import { ago, ahead } from '$lib/words/when';
	import { keyWords, plural } from '$lib/words/words';

	type Props = {
		tune: NotebookRow;
		practice: TunePractice | undefined;
		now: number;
		number: number;
		/** Where a search found it. */
		where: string;
		/** Its number is the handle by which it is dragged. */
		movable: boolean;
		onremove: () => void;
	};
	let { tune, practice, now, number, where, movable, onremove }: Props = $props();
	const practised = $derived(new Map(practice?.places.map((one) => [one.position, one.landed])));
	const planned = $derived(new Set(tune.routes.map((route) => route.position)));
	const share = $derived(practice?.landed ?? null);
	const percent = (landed: number) => Math.round(100 * landed);
	const clean = $derived(practice?.cleanTempo ?? null);
</script>

<tr data-tune={tune.id}>
	<td class="no">
		{#if movable}
			<button
				type="button"
				class="grip"
				use:dragHandle
				aria-label="Move {tune.title}, now number {number}: drag, or hold Alt with up and down"
			>
				<!-- What is dragged must not be the button itself, which the drag takes for a field. -->
				<span>
					<svg viewBox="0 0 6 16" width="6" height="16" aria-hidden="true"
						><path d="M1 3v.01M5 3v.01M1 8v.01M5 8v.01M1 13v.01M5 13v.01" /></svg
					>{number}
				</span>
			</button>
		{:else}
			{number}
		{/if}
	</td>
	<td class="title">
		<a class="open" href="/tunes/{tune.id}/chart">{tune.title}</a>
		{#if where}<span class="where">{where}</span>{/if}
		<span class="narrow">{keyWords(tune.key)} · {tune.tempo}</span>
	</td>
	<td class="wide key">{keyWords(tune.key)}</td>
	<td class="wide">{plural(tune.bars, 'bar')}, {tune.feel}</td>
	<td class="wide tempo">
		{#if clean === null}
			<span class="of">aim {tune.tempo}</span>
		{:else}
			{clean} <span class="of">{clean >= tune.tempo ? 'reached' : `of ${tune.tempo}`}</span>
		{/if}
	</td>
	<td class="arc">
		<a
			class="landing"
			href="/tunes/{tune.id}/drill"
			tabindex="-1"
			aria-label="Drill {tune.title}: {share === null
				? 'not played yet'
				: `${percent(share)} % of changes land`}"
		>
			<LandingArc share={share ?? 0} />
			{#if share === null}
				<span class="none">not yet</span>
			{:else}
				<span><strong>{percent(share)}</strong> %</span>
			{/if}
		</a>
	</td>
	<td class="wide">
		<PlaceMarks {practised} {planned} />
	</td>
	<td class="wide when">{practice?.lastPlayed ? ago(practice.lastPlayed, now) : ''}</td>
	<td class="wide when">
		{#if practice?.due}
			{@const due = ahead(practice.due, now)}
			<span class:due={due === 'today'}>{due}</span>
		{/if}
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
		padding: 0 12px 0 0;
		height: 44px;
		border-bottom: 1px solid var(--hair);
		white-space: nowrap;
	}
	tr:hover td,
	tr:focus-within td {
		background: var(--lit);
	}
	.no {
		width: 40px;
		padding-right: 6px;
		font-family: var(--font-display);
		font-weight: 600;
		font-size: 21px;
		color: var(--third);
	}
	.title {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 23px;
		line-height: 1.15;
		padding-block: 4px;
		white-space: normal;
		overflow-wrap: anywhere;
	}
	@media (min-width: 641px) {
		.title {
			min-width: 190px;
		}
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
	.of {
		font-family: var(--font-sans);
		font-weight: 400;
		font-size: 14px;
		color: var(--second);
	}
	.when {
		font-size: 14px;
	}
	.due {
		font-weight: 700;
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
	.grip {
		font: inherit;
		color: inherit;
		touch-action: none;
	}
	.grip span {
		display: flex;
		align-items: center;
		gap: 6px;
		min-height: 32px;
	}
	.grip path {
		stroke: currentColor;
		stroke-width: 2;
		stroke-linecap: round;
	}
	.where {
		display: block;
		font-family: var(--font-sans);
		font-weight: 400;
		font-size: 13px;
		line-height: 1.2;
		color: var(--second);
		padding-bottom: 4px;
		max-width: 34ch;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.last {
		width: 28px;
		padding: 0;
	}
	.last button {
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
		.wide:not(:nth-child(3)):not(:last-child) {
			display: none;
		}
	}
	@media (max-width: 640px) {
		.wide:not(:last-child) {
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
