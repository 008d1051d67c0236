<script lang="ts">
	import FirstVisit from '$lib/ui/FirstVisit.svelte';
	import Screen from '$lib/ui/parts/Screen.svelte';
	import ScreenHead from '$lib/ui/parts/ScreenHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { roleWords, signs } from '$core/chord';
	import { highestFret, lastPosition } from '$core/neck';
	import { afterParts } from '$lib/state/in-turn';
	import { useKeys } from '$lib/state/keys';
	import { EVERYWHERE } from '$lib/words/keys/everywhere';
	import { NECK } from '$lib/words/keys/neck';
	import { NeckCoverage } from '$lib/state/neck-coverage.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import { useTransport } from '$lib/state/transport.svelte';
	import { redoStep, toNextKey, undoStep } from '$lib/state/tune-headers';
	import FootKeys from '$lib/ui/FootKeys.svelte';
	import Later from '$lib/ui/Later.svelte';
	import MoreSwitch from '$lib/ui/MoreSwitch.svelte';
	import Neck from '$lib/ui/Neck.svelte';
	import InstrumentMenu from '$lib/ui/neck/InstrumentMenu.svelte';
	import LayerSwitches from '$lib/ui/neck/LayerSwitches.svelte';
	import { NeckView } from '$lib/ui/neck/neck-view.svelte';
	import type { Panel } from '$lib/ui/neck/panels';
	import PanelTabs from '$lib/ui/neck/PanelTabs.svelte';
	import { missingTones } from '$lib/ui/neck/place-words';
	import PlaceMap from '$lib/ui/neck/PlaceMap.svelte';
	import ScaleMenu from '$lib/ui/neck/ScaleMenu.svelte';
	import ScalePanel from '$lib/ui/neck/ScalePanel.svelte';
	import Ribbon from '$lib/ui/Ribbon.svelte';
	import TuneBar from '$lib/ui/TuneBar.svelte';
	import { onDestroy, tick, untrack } from 'svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const open = useTune();
	const transport = useTransport();
	const view = new NeckView(open);
	const coverage = new NeckCoverage(open, () => data.routes.at(-1)?.style ?? 'guide-tones');
	let scalePanel: ScalePanel | undefined = $state();
	let panels: PanelTabs | undefined = $state();

	/** Scale rows, each chord in each place, and all kinds of things in a place. */
	const more = $derived(prefs.current.more);
	let width = $state(1168);
	const narrow = $derived(width < 560);
	const leftHanded = $derived(prefs.current.leftHanded || open.instrument.leftHanded === true);
	/** On a phone only the frets round the hand are drawn, large enough to read. */
	const frets = $derived.by(() => {
		if (!narrow) return {};
		const there = view.figure?.notes.map((note) => note.fret) ?? [];
		return {
			from: Math.max(0, Math.min(open.position - 2, ...there)),
			to: Math.min(highestFret(open.instrument), Math.max(open.position + 5, ...there))
		};
	});

	// Weighed anew when the chart, its instrument or the player's own instruments change.
	$effect(() => {
		void open.chart;
		void open.instrument;
		untrack(() => void coverage.start());
	});
	onDestroy(() => coverage.close());

	const last = $derived(lastPosition(open.instrument));
	const rank = $derived(
		coverage.done && coverage.here
			? `Rank ${coverage.here.rank} of ${last}: ${coverage.here.reasons.slice(0, 2).join(', ')}.`
			: ''
	);
	const missing = $derived(
		[open.now, open.next].flatMap((chord) =>
			chord
				? missingTones(open.instrument, open.position, chord).map(
						(tone) =>
							`${prefs.name(tone.name)}, the ${roleWords(tone.role)} of ${signs(chord.symbol)}, is not in this place.`
					)
				: []
		)
	);

	const panel = (id: Panel) => () => afterParts(() => void panels?.open(id));
	useKeys(NECK, {
		place: (by) => open.moveTo(open.position + by),
		change: (by) => open.step(by),
		best: toBest,
		nextKey: () => toNextKey(open),
		// What it changes is shown.
		scale: async () => {
			prefs.set('more', true);
			await tick();
			afterParts(() => scalePanel?.nextScale());
		},
		layerScale: () => prefs.toggle('layerScale'),
		layerNow: () => prefs.toggle('layerNow'),
		layerNext: () => prefs.toggle('layerNext'),
		layerFingers: () => prefs.toggle('layerFingers'),
		shapes: panel('shapes'),
		grips: panel('grips'),
		changes: panel('changes'),
		pairs: panel('pairs'),
		bends: panel('bends'),
		hidden: panel('hidden'),
		layouts: panel('layouts'),
		places: panel('places'),
		words: panel('words'),
		let: () => view.pick(''),
		undo: () => undoStep(open),
		redo: () => redoStep(open)
	});
	function toBest(): void {
		if (coverage.best) open.moveTo(coverage.best.position);
	}
</script>

<svelte:head><title>{open.saved.title} · Neck · Arc Step</title></svelte:head>

<TuneBar>
	{#snippet actions()}
		<Button
			href="/tunes/{open.saved.id}/route?position={open.position}"
			onclick={() => (open.placed = true)}
			>{data.routes.some((route) => route.position === open.position)
				? 'Open the plan'
				: 'Plan it here'}</Button
		>
	{/snippet}
</TuneBar>
<Screen>
	{#snippet first()}<FirstVisit screen="neck" />{/snippet}
	{#if open.chart.changes.length === 0}
		<h1>There is no chord to look at yet.</h1>
		<p>Write the changes first: bars such as <code>| Bb7 | Eb7 |</code>.</p>
		<Button look="main" href="/tunes/{open.saved.id}/chart">Write the chart</Button>
	{:else}
		<ScreenHead>
			<h1>
				{#if coverage.failed}The places could not be weighed. Reload to try again.{:else if !coverage.done || !coverage.best}Weighing
					the places …{:else if coverage.best.position === open.position}Position
					{open.position} lies best, and you are there.{:else}<button
						type="button"
						class="underline decoration-2 underline-offset-4 [font:inherit]"
						onclick={toBest}>Position {coverage.best.position}</button
					>
					lies best. You are in {open.position}.{/if}
			</h1>
			<p class="flex-[1_1_300px]">{rank} {missing.join(' ')}</p>
			{#if more}<div class="ml-auto"><Later><InstrumentMenu /></Later></div>{/if}
		</ScreenHead>
		<Ribbon />
		<Later height={more ? 238 : 300}>
			<div class="-mb-1" bind:clientWidth={width}>
				<Neck
					instrument={open.instrument}
					position={open.position}
					now={prefs.current.layerNow ? open.now : null}
					next={prefs.current.layerNext ? open.next : null}
					scale={prefs.current.layerScale ? view.scale : null}
					over={open.now}
					fingers={prefs.current.layerFingers}
					moves
					figure={view.figure}
					sounding={transport.sounding}
					{...frets}
					height={narrow ? 236 : width < 900 || !more ? 300 : 238}
					onposition={(position) => open.moveTo(position)}
				/>
			</div>
		</Later>
		<Later>
			<PlaceMap
				{coverage}
				planned={data.routes.map((route) => route.position)}
				{leftHanded}
				{narrow}
				chords={more}
			/>
		</Later>
		<div
			class="mt-2.5 grid gap-x-7 gap-y-5 max-desk:grid-cols-[minmax(0,1fr)] {more
				? 'grid-cols-[minmax(0,428px)_minmax(0,1fr)]'
				: 'grid-cols-[minmax(0,1fr)]'}"
		>
			{#if more && open.scale}
				{@const inUse = open.scale}
				<Later>
					<ScalePanel bind:this={scalePanel} scale={inUse}>
						{#snippet menu()}<ScaleMenu scale={inUse} />{/snippet}
					</ScalePanel>
				</Later>
			{/if}
			<Later><PanelTabs bind:this={panels} {view} {coverage} {leftHanded} /></Later>
		</div>
	{/if}
	<div
		class="z-10 mt-auto flex flex-wrap items-center justify-between gap-x-6 gap-y-0 bg-paper py-1 desk:sticky desk:bottom-0"
	>
		<LayerSwitches />
		<MoreSwitch />
		<FootKeys
			flat
			keys={[
				...[NECK.place, NECK.change, NECK.best],
				...(more ? [NECK.scale] : []),
				[EVERYWHERE.route, 'plan']
			]}
		/>
	</div>
</Screen>
