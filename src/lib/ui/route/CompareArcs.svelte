<script lang="ts">
	import { chartTicks } from '$core/chart';
	import type { PlannedRoute } from '$lib/api/route';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { arcPath, bulge, pitchAxis } from '$lib/draw/strip-geometry';

	/** The landings of two routes on one axis of time and pitch: what they share is drawn once, in ink. */
	let { sides }: { sides: readonly [PlannedRoute, PlannedRoute] } = $props();
	const open = useTune();
	const WIDTH = 860;
	const HEIGHT = 132;
	const end = $derived(Math.max(1, chartTicks(open.chart)));
	const x = (tick: number) => 8 + (tick / end) * (WIDTH - 20);
	const y = $derived(pitchAxis([...sides[0].targets, ...sides[1].targets], 44, HEIGHT - 16));
	const drawn = $derived(
		sides.map(({ targets }, side) => {
			const points = targets.map((target) => ({ target, x: x(target.tick), y: y(target.midi) }));
			const arcs = points.slice(1).map((to, i) => {
				const from = points[i];
				const height = Math.min(24, bulge(to.target.midi - from.target.midi) * 0.5);
				return arcPath(from.x, from.y, to.x, to.y, height);
			});
			return { side, points, path: arcs.join('') };
		})
	);
</script>

<svg
	class="block w-full border-t-2 border-ink"
	viewBox="0 0 {WIDTH} {HEIGHT}"
	role="img"
	aria-label="The landings of both routes over the chart, the left one solid, the right one dashed"
>
	{#each open.chart.changes as change (change.index)}
		<line class="stroke-hair" x1={x(change.tick)} x2={x(change.tick)} y1="0" y2={HEIGHT} />
	{/each}
	{#each drawn as { side, path } (side)}
		<path
			class="fill-none stroke-ink stroke-[2.2] data-right:stroke-second data-right:dash-[6_4]"
			data-right={side === 1 || undefined}
			d={path}
		/>
	{/each}
	{#each drawn as { side, points } (side)}
		{#each points as point (point.target.change)}
			{#if side === 0}
				<circle class="fill-ink" cx={point.x} cy={point.y} r="4.5" />
			{:else}
				<rect
					class="fill-paper stroke-second stroke-2"
					x={point.x - 4.5}
					y={point.y - 4.5}
					width="9"
					height="9"
				/>
			{/if}
		{/each}
	{/each}
</svg>
<p class="text-reason text-second">
	<b class="ml-2 text-ink">●</b> left, solid <b class="ml-2 text-ink">□</b> right, dashed
</p>
