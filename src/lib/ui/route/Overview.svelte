<script lang="ts">
	import { changeAt, chartTicks } from '$core/chart';
	import { plural } from '$lib/words/words';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { fittingSize } from '$lib/draw/chord-width';
	import ChordText from '../ChordText.svelte';
	import { arcPath, bulge, pitchAxis, type TimeAxis } from '$lib/draw/strip-geometry';

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
	/** Long charts have thousands of changes: what looks alike is one path. */
	const lines = $derived.by(() => {
		const draw = (wide: boolean) =>
			arcs
				.filter(({ from, to }) => Math.abs(to.target.midi - from.target.midi) > WIDE === wide)
				.map(({ from, to }) => {
					const height = Math.min(16, bulge(to.target.midi - from.target.midi) * 0.28);
					return arcPath(from.x, from.y, to.x, to.y, height);
				})
				.join('');
		return { narrow: draw(false), wide: draw(true) };
	});
	const edges = $derived(
		open.chart.changes.map((change) => `M${x(change.tick).toFixed(1)},0V${HEIGHT - 3}`).join('')
	);
	const dots = $derived(
		points.map((point) => `M${point.x.toFixed(1)},${point.y.toFixed(1)}h0`).join('')
	);
	const cells = $derived(
		open.chart.changes.map((change, i) => ({
			change,
			a: x(change.tick),
			b: x(open.chart.changes[i + 1]?.tick ?? end)
		}))
	);
	const tenseOf = (index: number) =>
		index === open.cursor && open.next !== null
			? 'next'
			: index === open.before?.index
				? 'now'
				: 'idle';
	const named = $derived(cells.filter((cell) => cell.b - cell.a > 26));
	const lit = $derived(
		[open.before?.index, open.cursor].flatMap((index) => {
			const cell = index === undefined ? undefined : cells[index];
			const point = points.find((entry) => entry.target.change === index);
			return cell && tenseOf(cell.change.index) !== 'idle'
				? [{ cell, point, tense: tenseOf(cell.change.index) }]
				: [];
		})
	);
	const frame = $derived([x(axis.startTick), x(axis.endTick)]);

	function choose(event: MouseEvent): void {
		const box = (event.currentTarget as SVGSVGElement).getBoundingClientRect();
		const tick = ((event.clientX - box.left - 4) / (box.width - 12)) * end;
		const found = changeAt(open.chart, tick);
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
	aria-label="The whole chart, {plural(open.chart.played.length, 'bar')}"
	onclick={choose}
>
	<rect class="frame" x={frame[0]} y="0" width={frame[1] - frame[0]} height={HEIGHT - 3} />
	<line class="under" x1={frame[0]} x2={frame[1]} y1={HEIGHT - 2} y2={HEIGHT - 2} />
	<path class="edge" d={edges} />
	{#each named as cell (cell.change.index)}
		<g class={tenseOf(cell.change.index)}>
			<ChordText
				chord={cell.change.to.chord}
				x={cell.a + 5}
				y={21}
				size={fittingSize(cell.change.to.chord, cell.b - cell.a - 8, [17, 15, 13, 12])}
			/>
		</g>
	{/each}
	<path class="arc" d={lines.narrow} />
	<path class="arc wide" d={lines.wide} />
	<path class="dots" d={dots} />
	{#each lit as { cell, point, tense } (tense)}
		<g class={tense}>
			<rect class="cap" x={cell.a} y="0" width={cell.b - cell.a} height="4" />
			{#if point}<circle class="dot" cx={point.x} cy={point.y} r="4.6" />{/if}
		</g>
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
	.dots {
		stroke: var(--ink);
		stroke-width: 6.4;
		stroke-linecap: round;
	}
	.now .dot {
		fill: var(--now-line);
	}
	.next .dot {
		fill: var(--next-line);
	}
	.again {
		fill: var(--paper);
		stroke: var(--ink);
		stroke-width: 1.8;
	}
</style>
