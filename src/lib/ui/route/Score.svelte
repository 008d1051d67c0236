<script lang="ts">
	import { barAt, changeIndexAt } from '$core/chart';
	import { QUARTER } from '$core/kernel';
	import { AlphaTabApi } from '@coderline/alphatab';
	import type { Chord } from '$core/chord';
	import { writeAlphaTex, type EngravedNote } from '$core/formats';
	import { strokesOf } from '$core/route';
	import { hear } from '$lib/state/hear';
	import type { LineSelection } from '$lib/state/line-selection.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { mode } from 'mode-watcher';
	import { onMount, untrack } from 'svelte';
	import ChordSymbol from '../ChordSymbol.svelte';
	import { CHORD_ROOM, scoreSettings, takeColours } from './score-settings';

	/** The plan engraved: tab with rhythm, or standard notation with tab under it. A click picks a note. */
	type Props = {
		plan: RoutePlan;
		selection: LineSelection;
		staves: 'tab' | 'both';
		/** Ticks of one place of the grid. */
		grid: number;
		width: number;
		height: number;
	};
	let { plan, selection, staves, grid, width, height }: Props = $props();
	const open = useTune();
	let host: HTMLDivElement;
	let scroller: HTMLDivElement;
	let api: AlphaTabApi | null = null;
	/** Where bars and notes stand in the engraving; anew after every rendering. */
	let drawn = $state.raw({ times: 0 });
	let failed = $state('');

	const notes: readonly EngravedNote[] = $derived.by(() => {
		const { picking } = prefs.current;
		if (plan.line.length === 0) {
			return plan.targets.map((target, i) => {
				const next = plan.targets[i + 1]?.tick ?? Infinity;
				const { to } = open.chart.changes[target.change];
				const end = Math.min(next, to.startTick + to.durationTicks);
				const finger = null;
				return { ...target, durationTicks: end - target.tick, finger, technique: null };
			});
		}
		const strokes = picking === 'none' ? [] : strokesOf(plan.line, picking, grid);
		return plan.line.map((note, i) => ({ ...note, stroke: strokes[i] ?? null }));
	});
	/** Long charts are engraved a stretch at a time: the one with the change that is looked at. */
	const MOST = 32;
	const bars = $derived.by(() => {
		const at = Math.floor(((open.change?.bar ?? 1) - 1) / MOST) * MOST;
		return open.chart.played.slice(at, at + MOST);
	});
	const first = $derived(bars[0]?.index ?? 0);
	const startTick = $derived(bars[0]?.startTick ?? 0);
	const tex = $derived(
		writeAlphaTex(
			open.chart,
			open.instrument,
			notes,
			{ title: '', staves, fingers: true },
			open.chart.played.slice(first, first + MOST)
		)
	);

	onMount(() => {
		api = new AlphaTabApi(host, scoreSettings(host, width));
		api.renderFinished.on(() => untrack(() => (drawn = { times: drawn.times + 1 })));
		api.error.on((error) => (failed = error.message));
		api.beatMouseDown.on((beat) => {
			const tick = startTick + (beat.voice.bar.masterBar.start + beat.playbackStart) / 2;
			const note = plan.line.findLast((entry) => entry.tick <= tick);
			const change = changeIndexAt(open.chart, tick);
			if (change >= 0) open.cursor = change;
			if (!note) return;
			selection.pick(note.tick);
			hear(note.midi);
		});
		return () => api?.destroy();
	});
	$effect(() => {
		const text = tex;
		// Another theme draws in other colours.
		const theme = mode.current;
		if (!api || theme === undefined) return;
		takeColours(api.settings, host);
		api.updateSettings();
		api.tex(text);
	});

	type Box = { x: number; y: number; w: number; h: number; tense: 'now' | 'next' };
	const boxes: Box[] = $derived.by(() => {
		const lookup = drawn.times > 0 ? api?.boundsLookup : null;
		if (!lookup) return [];
		const found: Box[] = [];
		for (const [change, tense] of [
			[open.before, 'now'],
			[open.change, 'next']
		] as const) {
			const bar = change && open.chart.played[change.bar - 1];
			const bounds = bar && lookup.findMasterBarByIndex(bar.index - first)?.visualBounds;
			if (bounds) found.push({ x: bounds.x, y: bounds.y, w: bounds.w, h: bounds.h, tense });
		}
		return found;
	});
	type Name = { x: number; y: number; chord: Chord; tense: 'now' | 'next' | 'ink' };
	/** The chord symbols, over the beats where their chords begin. */
	const names: Name[] = $derived.by(() => {
		const lookup = drawn.times > 0 ? api?.boundsLookup : null;
		if (!lookup) return [];
		return open.chart.changes.flatMap((change): Name[] => {
			const bar = bars.findLast((entry) => entry.startTick <= change.tick);
			const bounds = bar && lookup.findMasterBarByIndex(bar.index - first);
			if (!bar || !bounds || change.tick >= bar.startTick + bar.lengthTicks) return [];
			const offset = 2 * (change.tick - bar.startTick);
			const beats = bounds.bars[0]?.beats ?? [];
			const beat = beats.findLast((entry) => entry.beat.playbackStart <= offset + QUARTER / 24);
			const { before, cursor } = open;
			const tense = change.index === cursor ? 'next' : change === before ? 'now' : 'ink';
			const x = beat?.realBounds.x ?? bounds.visualBounds.x;
			return [{ x, y: bounds.visualBounds.y, chord: change.to.chord, tense }];
		});
	});
	const pick = $derived.by(() => {
		const { leading } = selection;
		const lookup = drawn.times > 0 ? api?.boundsLookup : null;
		if (!leading || !lookup) return null;
		const bar = barAt(open.chart, leading.tick);
		const beats = lookup.findMasterBarByIndex((bar?.index ?? 0) - first)?.bars[0]?.beats ?? [];
		const offset = 2 * (leading.tick - (bar?.startTick ?? 0));
		const beat = beats.findLast((entry) => entry.beat.playbackStart <= offset + QUARTER / 24);
		return beat ? beat.realBounds : null;
	});
	// The bar that is looked at stays in sight.
	$effect(() => {
		const box = boxes.find((entry) => entry.tense === 'next');
		if (!box || !scroller) return;
		const { scrollTop, clientHeight } = scroller;
		if (box.y < scrollTop || box.y + box.h > scrollTop + clientHeight) {
			scroller.scrollTop = Math.max(0, box.y - 24);
		}
	});
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div
	class="overflow-auto border-t-2 border-ink bg-paper"
	bind:this={scroller}
	style:height="{height}px"
	tabindex="0"
	role="region"
	aria-label={staves === 'tab' ? 'The plan as tab' : 'The plan in notation and tab'}
>
	{#if open.chart.played.length > MOST}
		<p class="py-1 text-reason text-second">
			Bars {first + 1} to {first + bars.length} of {open.chart.played.length}
		</p>
	{/if}
	{#if failed}<p role="alert">The engraving failed: {failed}</p>{/if}
	<div class="relative">
		{#each boxes as box (box.tense)}
			<div
				class="absolute bg-now-tint opacity-70 next:bg-next-tint"
				data-tense={box.tense}
				style:left="{box.x}px"
				style:top="{box.y}px"
				style:width="{box.w}px"
				style:height="{box.h}px"
			></div>
		{/each}
		{#if pick}
			<div
				data-part="pick"
				class="absolute border-2 border-dashed border-ink"
				style:left="{pick.x}px"
				style:top="{pick.y}px"
				style:width="{pick.w}px"
				style:height="{pick.h}px"
			></div>
		{/if}
		<div class="relative" bind:this={host}></div>
		{#each names as name (`${name.x} ${name.y}`)}
			<span
				data-part="symbol"
				class="pointer-events-none absolute text-head leading-none text-ink now:text-now-ink next:text-next-ink"
				data-tense={name.tense}
				style:left="{name.x}px"
				style:top="{name.y - CHORD_ROOM + 4}px"><ChordSymbol chord={name.chord} /></span
			>
		{/each}
	</div>
</div>
