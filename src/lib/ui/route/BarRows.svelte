<script lang="ts">
	import { scaleTitle } from '$lib/words/words';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { handRow, moveEnd, scaleRow, type RowStretch } from '$lib/state/bar-rows';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import type { TimeAxis } from '$lib/draw/strip-geometry';

	/** Over the strip: where the hand is and which scale holds, from bar to bar. Their ends are dragged along the bars. */
	type Props = {
		plan: RoutePlan;
		axis: TimeAxis;
		width: number;
		/** Opens what can be said of a bar. */
		onopen: () => void;
	};
	let { plan, axis, width, onopen }: Props = $props();
	/** What the names of the rows need at the left of the bars. */
	const LABEL = 40;
	const open = useTune();
	const line = $derived(plan.wishes.line);

	type Row = {
		readonly name: string;
		readonly stretches: readonly (RowStretch<unknown> & { readonly label: string })[];
		readonly move: ((stretch: RowStretch<unknown>, bar: number) => void) | null;
	};
	const hands = $derived(
		plan.hands.length > 0
			? plan.hands
			: [{ tick: 0, position: plan.handAt(open.cursor), own: false }]
	);
	const rows = $derived.by((): Row[] => [
		{
			name: 'Hand',
			stretches: handRow(open.chart, hands, line.hand).map((stretch) => ({
				...stretch,
				label: `position ${stretch.value}`
			})),
			move: line.roam
				? null
				: (stretch, bar) =>
						plan.setHands(
							moveEnd(open.chart, line.hand, stretch, bar, (at) => ({ bar: at, position: null }))
						)
		},
		{
			name: 'Scale',
			stretches: scaleRow(open.chart, plan.scales, line.scales).map((stretch) => ({
				...stretch,
				label: scaleTitle(stretch.value, open.player.scales)
			})),
			move: (stretch, bar) =>
				plan.setScales(
					moveEnd(open.chart, line.scales, stretch, bar, (at) => ({
						bar: at,
						beat: 1,
						scale: null
					}))
				)
		}
	]);
	/** The end that is dragged: its row, its stretch, and the bar that it is over. */
	let dragged: { row: string; from: number; bar: number } | null = $state(null);

	/** The played bar, from 1, whose beginning is nearest to a point. */
	function barNear(clientX: number, box: DOMRect): number {
		const tick = axis.tick(((clientX - box.left) / box.width) * width);
		const starts = [...open.chart.played.map((bar) => bar.startTick), axis.endTick];
		let best = 0;
		starts.forEach((start, i) => {
			if (Math.abs(start - tick) < Math.abs(starts[best] - tick)) best = i;
		});
		return best + 1;
	}
	function look(stretch: RowStretch<unknown>): void {
		const at = open.chart.changes.findLast(
			({ tick }) => tick <= Math.max(stretch.from, axis.startTick)
		);
		if (at) open.cursor = at.index;
		onopen();
	}
	const barsWords = ({ bar, lastBar }: RowStretch<unknown>) =>
		bar === lastBar ? `bar ${bar}` : `bars ${bar} to ${lastBar}`;
	const boxes = $derived(
		rows.map((row) => ({
			...row,
			seen: row.stretches.flatMap((stretch) => {
				const held = dragged?.row === row.name && dragged.from === stretch.from ? dragged : null;
				const to = held ? (open.chart.played[held.bar - 1]?.startTick ?? stretch.to) : stretch.to;
				const [x1, x2] = [Math.max(0, axis.x(stretch.from)), Math.min(width, axis.x(to))];
				return x2 - x1 < 6 ? [] : [{ ...stretch, x1, width: x2 - x1 - 3 }];
			})
		}))
	);
	function keys(event: KeyboardEvent, row: Row, stretch: RowStretch<unknown>): void {
		const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
		if (by === 0) return;
		event.preventDefault();
		event.stopPropagation();
		const bar = stretch.lastBar + 1 + by;
		if (bar > stretch.bar) row.move?.(stretch, bar);
	}
</script>

<div class="grid gap-0.75 pb-1" data-part="rows">
	{#each boxes as row (row.name)}
		<div class="relative h-5.5 text-reason" role="group" aria-label={row.name}>
			{#if axis.x(axis.startTick) > LABEL}
				<span class="absolute left-0 leading-5.5 text-second" aria-hidden="true">{row.name}</span>
			{/if}
			{#each row.seen as stretch (stretch.from)}
				<button
					type="button"
					class="absolute top-0 h-5.5 truncate border border-strong bg-lit px-1.5 text-left font-semibold hover:border-ink data-own:border-dashed data-own:bg-transparent"
					data-own={stretch.own || undefined}
					style:left="{stretch.x1}px"
					style:width="{stretch.width}px"
					aria-label="{row.name}, {barsWords(stretch)}: {stretch.label}{stretch.own
						? ', as you wrote it'
						: ''}"
					onclick={() => look(stretch)}>{stretch.label}</button
				>
				{#if stretch.ends !== null && row.move}
					<span
						role="slider"
						tabindex="0"
						class="absolute top-0 grid h-5.5 w-4 cursor-ew-resize touch-none place-items-center pointer-coarse:-ml-4 pointer-coarse:w-9"
						style:left="{stretch.x1 + stretch.width - 15}px"
						aria-label="End of {row.name.toLowerCase()}, {barsWords(stretch)}"
						aria-valuemin={stretch.bar}
						aria-valuemax={open.chart.played.length}
						aria-valuenow={stretch.lastBar}
						aria-valuetext="ends with bar {stretch.lastBar}"
						onkeydown={(event) => keys(event, row, stretch)}
						onpointerdown={(event) => {
							event.currentTarget.setPointerCapture(event.pointerId);
							dragged = { row: row.name, from: stretch.from, bar: stretch.lastBar + 1 };
						}}
						onpointermove={(event) => {
							if (!dragged) return;
							const box = event.currentTarget.parentElement?.getBoundingClientRect();
							const bar = box ? barNear(event.clientX, box) : dragged.bar;
							dragged = { ...dragged, bar: Math.max(stretch.bar + 1, bar) };
						}}
						onpointerup={() => {
							if (dragged && dragged.bar !== stretch.lastBar + 1) row.move?.(stretch, dragged.bar);
							dragged = null;
						}}
						onpointercancel={() => (dragged = null)}><span class="h-3.5 w-0.5 bg-ink"></span></span
					>
				{/if}
			{/each}
		</div>
	{/each}
</div>
