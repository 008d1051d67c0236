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
		open.chart.changes
			.map((change) => `M${x(change.to.startTick).toFixed(1)},0V${HEIGHT - 3}`)
			.join('')
	);
	const dots = $derived(
		points.map((point) => `M${point.x.toFixed(1)},${point.y.toFixed(1)}h0`).join('')
	);
	const cells = $derived(
		open.chart.changes.map((change, i) => ({
			change,
			a: x(change.to.startTick),
			b: x(open.chart.changes[i + 1]?.to.startTick ?? end)
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
		if (found) open.look(found.index);
	}
</script>

<!-- Pointer only: the keys , and . walk through the same changes. -->
<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_noninteractive_element_interactions -->
<svg
	class="block cursor-pointer border-t border-hair"
	{width}
	height={HEIGHT}
	viewBox="0 0 {width} {HEIGHT}"
	role="img"
	aria-label="The whole chart, {plural(open.chart.played.length, 'bar')}"
	onclick={choose}
>
	<rect
		data-part="frame"
		class="fill-lit"
		x={frame[0]}
		y="0"
		width={frame[1] - frame[0]}
		height={HEIGHT - 3}
	/>
	<line class="stroke-ink stroke-3" x1={frame[0]} x2={frame[1]} y1={HEIGHT - 2} y2={HEIGHT - 2} />
	<path class="stroke-hair" d={edges} />
	{#each named as cell (cell.change.index)}
		<g
			class="data-[tense=idle]:fill-second now:fill-now-ink next:fill-next-ink"
			data-tense={tenseOf(cell.change.index)}
		>
			<ChordText
				chord={cell.change.to.chord}
				x={cell.a + 5}
				y={21}
				size={fittingSize(cell.change.to.chord, cell.b - cell.a - 8, [17, 15, 13, 12])}
			/>
		</g>
	{/each}
	<path class="fill-none stroke-second stroke-[1.3]" d={lines.narrow} />
	<path class="fill-none stroke-ink stroke-[2.8]" d={lines.wide} />
	<path class="stroke-ink stroke-[6.4] cap-round" d={dots} />
	{#each lit as { cell, point, tense } (tense)}
		<g class="data-[tense=idle]:fill-second now:fill-now-ink next:fill-next-ink" data-tense={tense}>
			<rect
				class="in-now:fill-now in-next:fill-next"
				x={cell.a}
				y="0"
				width={cell.b - cell.a}
				height="4"
			/>
			{#if point}<circle
					class="in-now:fill-now-line in-next:fill-next-line"
					cx={point.x}
					cy={point.y}
					r="4.6"
				/>{/if}
		</g>
	{/each}
	{#if points.length > 1}
		<circle class="fill-paper stroke-ink stroke-[1.8]" cx={x(end)} cy={points[0].y} r="3.6" />
	{/if}
</svg>
