<script lang="ts">
	import { chartTicks } from '$core/chart';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { fittingSize } from '../chord-width';
	import ChordText from '../ChordText.svelte';
	import { arcPath, bulge, pitchAxis, type TimeAxis } from './strip-geometry';

	/** The whole chart, small: landings, wide moves thick, and a frame round what is shown in detail. */
	type Props = { plan: RoutePlan; axis: TimeAxis; width: number };
	let { plan, axis, width }: Props = $props();
	const open = useTune();
	const HEIGHT = 66;
	/** Moves of more semitones than this are drawn thick. */
	const WIDE = 3;
	const end = $derived(Math.max(1, chartTicks(open.chart)));
	const x = (tick: number) => 4 + (tick / end) * (width - 12);
	const y = $derived(pitchAxis(plan.targets, 36, 54));
	const points = $derived(
		plan.targets.map((target) => ({ target, x: x(target.tick), y: y(target.midi) }))
	);
	const arcs = $derived.by(() => {
		const all = points.slice(1).map((to, i) => ({ from: points[i], to }));
		const [first] = points;
		const last = points.at(-1);
		if (first && last && first !== last) all.push({ from: last, to: { ...first, x: x(end) } });
		return all;
	});
	const cells = $derived(
		open.chart.changes.map((change, i) => {
			const until = open.chart.changes[i + 1]?.tick ?? end;
			const now = i === open.before?.index;
			const next = i === open.cursor && open.next !== null;
			return {
				change,
				a: x(change.tick),
				b: x(until),
				tense: next ? 'next' : now ? 'now' : 'idle'
			};
		})
	);
	const frame = $derived([x(axis.startTick), x(axis.endTick)]);
	const tenseOf = (change: number) => cells[change]?.tense ?? 'idle';

	function choose(event: MouseEvent): void {
		const box = (event.currentTarget as SVGSVGElement).getBoundingClientRect();
		const tick = ((event.clientX - box.left - 4) / (box.width - 12)) * end;
		const found = open.chart.changes.findLast((change) => change.tick <= tick);
		if (found) open.cursor = found.index;
	}
</script>

<!-- Pointer only: the keys , and . walk through the same changes. -->
<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_noninteractive_element_interactions -->
<svg
	{width}
	height={HEIGHT}
	viewBox="0 0 {width} {HEIGHT}"
	role="img"
	aria-label="The whole chart, {open.chart.played.length} bars"
	onclick={choose}
>
	<rect class="frame" x={frame[0]} y="0" width={frame[1] - frame[0]} height={HEIGHT - 3} />
	<line class="under" x1={frame[0]} x2={frame[1]} y1={HEIGHT - 2} y2={HEIGHT - 2} />
	{#each cells as cell (cell.change.index)}
		<g class={cell.tense}>
			<line class="edge" x1={cell.a} x2={cell.a} y1="0" y2={HEIGHT - 3} />
			{#if cell.tense !== 'idle'}
				<rect class="cap" x={cell.a} y="0" width={cell.b - cell.a} height="4" />
			{/if}
			{#if cell.b - cell.a > 26}
				<ChordText
					chord={cell.change.to.chord}
					x={cell.a + 5}
					y={21}
					size={fittingSize(cell.change.to.chord, cell.b - cell.a - 8, [17, 15, 13, 12])}
				/>
			{/if}
		</g>
	{/each}
	{#each arcs as { from, to } (`${from.target.change}-${to.target.change}`)}
		{@const semitones = Math.abs(to.target.midi - from.target.midi)}
		<path
			class="arc"
			class:wide={semitones > WIDE}
			d={arcPath(from.x, from.y, to.x, to.y, Math.min(16, bulge(semitones) * 0.28))}
		/>
	{/each}
	{#each points as point (point.target.change)}
		{@const tense = tenseOf(point.target.change)}
		<circle class="dot {tense}" cx={point.x} cy={point.y} r={tense === 'idle' ? 3.2 : 4.6} />
	{/each}
	{#if points.length > 1}
		<circle class="again" cx={x(end)} cy={points[0].y} r="3.6" />
	{/if}
</svg>

<style>
	svg {
		display: block;
		cursor: pointer;
		border-top: 1px solid var(--hair);
	}
	.frame {
		fill: var(--lit);
	}
	.under {
		stroke: var(--ink);
		stroke-width: 3;
	}
	.edge {
		stroke: var(--hair);
	}
	.idle {
		fill: var(--second);
	}
	.now {
		fill: var(--now-ink);
	}
	.next {
		fill: var(--next-ink);
	}
	.now .cap {
		fill: var(--now);
	}
	.next .cap {
		fill: var(--next);
	}
	.arc {
		fill: none;
		stroke: var(--second);
		stroke-width: 1.3;
	}
	.wide {
		stroke: var(--ink);
		stroke-width: 2.8;
	}
	.dot.idle {
		fill: var(--ink);
	}
	.dot.now {
		fill: var(--now-line);
	}
	.dot.next {
		fill: var(--next-line);
	}
	.again {
		fill: var(--paper);
		stroke: var(--ink);
		stroke-width: 1.8;
	}
</style>
