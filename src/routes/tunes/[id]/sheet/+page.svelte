<script lang="ts">
	import { goto } from '$app/navigation';
	import bravura from '@coderline/alphatab/font/Bravura.woff2?url';
	import { afterParts } from '$lib/state/in-turn';
	import { onKeys } from '$lib/state/keys';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { redoStep, toNextKey, undoStep } from '$lib/state/tune-headers';
	import Choice from '$lib/ui/Choice.svelte';
	import Later from '$lib/ui/Later.svelte';
	import FootKeys from '$lib/ui/FootKeys.svelte';
	import KeyCap from '$lib/ui/KeyCap.svelte';
	import TakeAway from '$lib/ui/files/TakeAway.svelte';
	import TuneBar from '$lib/ui/TuneBar.svelte';
	import { plural } from '$lib/words/words';
	import { onMount } from 'svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const open = useTune();

	const SHOWN = [
		{ value: 'both', name: 'Both' },
		{ value: 'pictures', name: 'Pictures' },
		{ value: 'tab', name: 'The plan' }
	] as const;
	const PAPERS = [
		{ value: 'a4', name: 'A4' },
		{ value: 'letter', name: 'Letter' }
	] as const;

	onMount(() => {
		// The music signs of the page; the browser prints with the same.
		const face = new FontFace('Score', `url(${bravura})`);
		document.fonts.add(face);
		void face.load();
	});

	// The bar above tells the place that the page shows.
	$effect(() => open.moveTo(data.place));

	const paperRule = $derived(
		`@page { size: ${data.options.paper === 'a4' ? 'A4' : 'letter'}; margin: 0 }`
	);

	type Wish = Partial<Record<'route' | 'show' | 'paper' | 'left' | 'large' | 'position', string>>;
	const query = (wish: Wish): string => {
		const { show, paper, leftHanded, large } = data.options;
		const all = {
			route: data.routeId ?? 'none',
			...(data.routeId ? {} : { position: String(data.place) }),
			...{ show, paper, left: leftHanded ? '1' : '', large: large ? '1' : '' },
			...wish
		};
		const set = Object.entries(all).filter(([, value]) => value !== '');
		return new URLSearchParams(set).toString();
	};
	const ask = (wish: Wish) =>
		void goto(`?${query(wish)}`, { replaceState: true, keepFocus: true, noScroll: true });
	const pdf = $derived(
		data.routeId
			? `/routes/${data.routeId}/route.pdf?${query({ route: '' })}`
			: `/tunes/${open.saved.id}/sheet.pdf?${query({ route: '' })}`
	);
	const route = $derived(data.routes.find(({ id }) => id === data.routeId) ?? null);
	const step = (by: number) => {
		if (data.routeId === null) ask({ position: String(Math.max(1, data.place + by)) });
	};

	let take: TakeAway | undefined = $state();
	const keys = onKeys({
		'[': () => step(-1),
		']': () => step(1),
		Enter: () => print(),
		d: () => afterParts(() => take?.pdf()),
		'Shift+.': () => void toNextKey(open),
		'Mod+z': () => void undoStep(open),
		'Mod+Shift+z': () => void redoStep(open)
	});
</script>

<svelte:window onkeydown={keys} />
<svelte:head>
	<title>Sheet · {open.saved.title} · Arc Step</title>
	<!-- The browser prints on the paper that is chosen here. -->
	<svelte:element this={"style"}>{paperRule}</svelte:element>
</svelte:head>

<TuneBar />
<div class="with-inspector">
	<main id="main" class="screen">
		<div class="verdict">
			<h1>
				{plural(data.pages.length, 'page')} for the music stand.
			</h1>
			{#if route}<p>{route.name}</p>
			{:else}
				<p>
					No route on it: <a class="link" href="/tunes/{open.saved.id}/route?position={data.place}"
						>plan one here</a
					>
				</p>
			{/if}
		</div>
		<div class="pages">
			{#each data.pages as page, i (i)}
				<!-- The server draws the page; every text in it is escaped there. -->
				<!-- eslint-disable-next-line svelte/no-at-html-tags -->
				<div class="page {data.options.paper}">{@html page}</div>
			{/each}
		</div>
		<FootKeys
			keys={[
				['Enter', 'print'],
				['D', 'as PDF'],
				...(data.routeId ? [] : [['[ ]', 'place'] as [string, string]]),
				['3', 'route'],
				['?', 'keys and terms']
			]}
		/>
	</main>
	<aside class="inspector" aria-label="The page">
		<section>
			<div class="acts">
				<button type="button" class="act act-main" onclick={() => print()}
					>Print <KeyCap keys="Enter" /></button
				>
				<a class="act" href={pdf} download>PDF</a>
			</div>
			<label class="plan">
				The plan
				<select
					value={data.routeId ?? 'none'}
					onchange={(event) => ask({ route: event.currentTarget.value })}
				>
					{#each data.routes as each (each.id)}<option value={each.id}>{each.name}</option>{/each}
					<option value="none">none, the chords alone</option>
				</select>
			</label>
			<Later>
				<Choice
					label="On the page"
					options={SHOWN}
					value={data.options.show}
					onchange={(show) => ask({ show })}
				/>
				<Choice
					label="Paper"
					options={PAPERS}
					value={data.options.paper}
					onchange={(paper) => ask({ paper })}
				/>
			</Later>
			<label class="tick">
				<input
					type="checkbox"
					checked={data.options.large}
					onchange={(event) => ask({ large: event.currentTarget.checked ? '1' : '' })}
				/> Large print
			</label>
			<label class="tick">
				<input
					type="checkbox"
					checked={data.options.leftHanded}
					onchange={(event) => ask({ left: event.currentTarget.checked ? '1' : '' })}
				/> Left-handed pictures
			</label>
		</section>
		<Later>
			<TakeAway bind:this={take} tune={open.saved} {route} {pdf} />
		</Later>
	</aside>
</div>

<style>
	.pages {
		display: flex;
		flex-direction: column;
		align-items: center;
		gap: 16px;
		padding: 4px 0 16px;
	}
	.page {
		width: min(100%, 794px);
		background: #fff;
		outline: 1px solid var(--hair);
	}
	.page :global(svg) {
		display: block;
		width: 100%;
		height: auto;
	}
	.link {
		font-weight: 700;
		color: var(--ink);
		border-bottom: 2px solid var(--ink);
	}
	section {
		display: flex;
		flex-direction: column;
		gap: 12px;
	}
	.acts {
		display: flex;
		gap: 12px;
	}
	.plan {
		display: flex;
		flex-direction: column;
		gap: 2px;
		font-size: 13px;
		color: var(--second);
	}
	select {
		height: 36px;
		font-size: 15px;
		color: var(--ink);
		background: var(--paper);
		border: 0;
		border-bottom: 2px solid var(--ink);
		max-width: 100%;
	}
	.tick {
		display: flex;
		align-items: center;
		gap: 8px;
		font-size: 15px;
	}
	.tick input {
		width: 18px;
		height: 18px;
		accent-color: var(--ink);
	}
	@media print {
		.verdict,
		.inspector,
		.screen > :global(.foot) {
			display: none;
		}
		.with-inspector,
		.screen,
		.pages {
			display: block;
			padding: 0;
			margin: 0;
		}
		.page {
			width: 100%;
			height: 100vh;
			overflow: hidden;
			outline: 0;
			break-after: page;
			break-inside: avoid;
		}
		.page:last-child {
			break-after: auto;
		}
	}
</style>
