<script lang="ts">
	import FirstVisit from '$lib/ui/FirstVisit.svelte';
	import { untrack } from 'svelte';
	import { EVERYWHERE } from '$lib/words/keys/everywhere';
	import { SHEET } from '$lib/words/keys/pages';
	import Check from '$lib/ui/parts/Check.svelte';
	import Select from '$lib/ui/parts/Select.svelte';
	import Screen from '$lib/ui/parts/Screen.svelte';
	import ScreenHead from '$lib/ui/parts/ScreenHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { goto } from '$app/navigation';
	import bravura from '@coderline/alphatab/font/Bravura.woff2?url';
	import { afterParts } from '$lib/state/in-turn';
	import { useKeys } from '$lib/state/keys';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { redoStep, toNextKey, undoStep } from '$lib/state/tune-headers';
	import Choice from '$lib/ui/parts/Choice.svelte';
	import Later from '$lib/ui/Later.svelte';
	import FootKeys from '$lib/ui/FootKeys.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
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
	$effect(() => {
		if (data.place !== untrack(() => open.position)) open.moveTo(data.place);
	});

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
	useKeys(SHEET, {
		print: () => print(),
		pdf: () => afterParts(() => take?.pdf()),
		place: step,
		nextKey: () => toNextKey(open),
		undo: () => undoStep(open),
		redo: () => redoStep(open)
	});
</script>

<svelte:head>
	<title>Sheet · {open.saved.title} · Arc Step</title>
	<!-- The browser prints on the paper that is chosen here. -->
	<svelte:element this={"style"}>{paperRule}</svelte:element>
</svelte:head>

<TuneBar />
<Screen about="The page">
	{#snippet first()}<FirstVisit screen="sheet" />{/snippet}
	<ScreenHead class="print:hidden">
		<h1>
			{plural(data.pages.length, 'page')} for the music stand.
		</h1>
		{#if route}<p>{route.name}</p>
		{:else}
			<p>
				No route on it: <a
					class="border-b-2 border-ink font-bold text-ink"
					href="/tunes/{open.saved.id}/route?position={data.place}">plan one here</a
				>
			</p>
		{/if}
	</ScreenHead>
	<div
		data-part="pages"
		class="flex flex-col items-center gap-4 pt-1 pb-4 print:m-0 print:block print:p-0"
	>
		{#each data.pages as page, i (i)}
			<!-- The server draws the page; every text in it is escaped there. -->
			<div
				data-part="page"
				class="w-[min(100%,794px)] bg-white [outline:1px_solid_var(--hair)] print:h-screen print:w-full print:[break-inside:avoid] print:[break-after:page] print:overflow-hidden print:outline-none print:last:[break-after:auto] [&_svg]:block [&_svg]:h-auto [&_svg]:w-full"
				data-paper={data.options.paper}
			>
				<!-- eslint-disable-next-line svelte/no-at-html-tags -->
				{@html page}
			</div>
		{/each}
	</div>
	<FootKeys
		keys={[
			...(data.routeId ? [] : [SHEET.place]),
			...[SHEET.print, SHEET.pdf, EVERYWHERE.route, EVERYWHERE.help]
		]}
	/>
	{#snippet inspector()}
		<section class="flex flex-col gap-3">
			<div class="flex gap-3">
				<Button look="main" onclick={() => print()}>Print <KeyCap of={SHEET.print} /></Button>
				<Button href={pdf} download>PDF</Button>
			</div>
			<Select
				label="The plan"
				options={[
					...data.routes.map(({ id, name }) => ({ value: id, name })),
					{ value: 'none', name: 'none, the chords alone' }
				]}
				value={data.routeId ?? 'none'}
				onchange={(route) => ask({ route })}
			/>
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
			<Check checked={data.options.large} onchange={(on) => ask({ large: on ? '1' : '' })}
				>Large print</Check
			>
			<Check checked={data.options.leftHanded} onchange={(on) => ask({ left: on ? '1' : '' })}
				>Left-handed pictures</Check
			>
		</section>
		<Later>
			<TakeAway bind:this={take} tune={open.saved} {route} {pdf} />
		</Later>
	{/snippet}
</Screen>
