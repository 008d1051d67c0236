<script lang="ts">
	import { beatTicks } from '$core/chart';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import type { TimeAxis } from './strip-geometry';

	/** Counts and tab under the strip, on the same time axis. */
	type Props = { plan: RoutePlan; axis: TimeAxis; width: number };
	let { plan, axis, width }: Props = $props();
	const open = useTune();
	const LINE = 12;
	const TOP = 32;
	const strings = $derived(open.instrument.open.length);
	const bottom = $derived(TOP + LINE * (strings - 1));
	const row = (string: number) =>
		TOP + LINE * (prefs.current.thinStringOnTop ? string - 1 : strings - string);
	const bars = $derived(open.chart.played.slice(axis.from, axis.to + 1));
	const beats = $derived(
		bars.flatMap((bar) =>
			Array.from({ length: bar.signature.beats }, (_, i) => ({
				count: i + 1,
				x: axis.x(bar.startTick + i * beatTicks(bar.signature))
			}))
		)
	);
	const spacing = $derived(beats.length > 1 ? beats[1].x - beats[0].x : 40);
	const digits = $derived(
		plan.targets.flatMap((target) => {
			const x = axis.x(target.tick);
			return x > -10 && x < width - 4 ? [{ target, x }] : [];
		})
	);
</script>

<svg {width} height={bottom + 14} viewBox="0 0 {width} {bottom + 14}" aria-hidden="true">
	{#each beats as beat (beat.x)}
		{#if beat.x < width - 8 && (beat.count === 1 || spacing > 15)}
			<text class="count" class:one={beat.count === 1} x={beat.x} y="14">{beat.count}</text>
		{/if}
	{/each}
	{#each Array.from({ length: strings }, (_, i) => TOP + i * LINE) as y (y)}
		<line class="line" x1="0" x2={width} y1={y} y2={y} />
	{/each}
	{#each bars as bar (bar.index)}
		<line class="bar" x1={axis.x(bar.startTick)} x2={axis.x(bar.startTick)} y1={TOP} y2={bottom} />
	{/each}
	{#each digits as { target, x } (target.change)}
		<text
			class="digit"
			class:now={target.change === open.before?.index}
			class:next={target.change === open.cursor && open.next}
			{x}
			y={row(target.string)}
			dy="0.35em">{target.fret}</text
		>
	{/each}
</svg>

<style>
	svg {
		display: block;
	}
	.count {
		font-size: 13px;
		text-anchor: middle;
		fill: var(--third);
	}
	.one {
		font-weight: 700;
		fill: var(--ink);
	}
	.line {
		stroke: var(--hair);
	}
	.bar {
		stroke: var(--ink);
		stroke-width: 1.4;
	}
	.digit {
		font-weight: 700;
		font-size: 19px;
		text-anchor: middle;
		fill: var(--ink);
		paint-order: stroke;
		stroke: var(--paper);
		stroke-width: 6px;
	}
	.now {
		fill: var(--now-ink);
	}
	.next {
		fill: var(--next-ink);
	}
</style>
