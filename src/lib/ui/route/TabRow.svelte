<script lang="ts">
	import { changeIndexAt, beatTicks } from '$core/chart';
	import { strokesOf } from '$core/route';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { useTransport } from '$lib/state/transport.svelte';
	import { techniqueSign } from './line-words';
	import type { TimeAxis } from '$lib/draw/strip-geometry';

	/** Counts, tab and strokes of the pick under the strip, on the same time axis. */
	type Props = { plan: RoutePlan; axis: TimeAxis; width: number; grid: number };
	let { plan, axis, width, grid }: Props = $props();
	const open = useTune();
	const transport = useTransport();
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
	const notes = $derived(plan.line.length > 0 ? plan.line : plan.targets);
	const strokes = $derived.by(() => {
		const { picking } = prefs.current;
		return picking === 'none' || plan.line.length === 0 ? [] : strokesOf(plan.line, picking, grid);
	});
	const foot = $derived(bottom + (strokes.length > 0 ? 20 : 14));
	const digits = $derived(
		notes.flatMap((note, i) => {
			const x = axis.x(note.tick);
			if (x < 8 || x >= width - 4) return [];
			const landing = !('kind' in note) || note.kind === 'target';
			const change = changeIndexAt(open.chart, note.tick);
			const end = 'kind' in note ? axis.x(note.tick + note.durationTicks) : x;
			const technique = 'technique' in note ? note.technique : null;
			const sign = 'kind' in note ? techniqueSign(note, notes[i - 1]) : '';
			const held = landing && end - x > 60 ? end - 8 : null;
			const rings = technique === 'vibrato' || technique === 'curl' || technique === 'trill';
			return [{ note, x, landing, change, sign, rings, held, stroke: strokes[i] ?? null }];
		})
	);
</script>

<svg class="block" {width} height={foot} viewBox="0 0 {width} {foot}" aria-hidden="true">
	{#each beats as beat (beat.x)}
		{#if beat.x < width - 8 && (beat.count === 1 || spacing > 15)}
			<text
				class="fill-third text-reason anchor-middle data-one:fill-ink data-one:font-bold"
				data-one={beat.count === 1 || undefined}
				x={beat.x}
				y="14">{beat.count}</text
			>
		{/if}
	{/each}
	{#each Array.from({ length: strings }, (_, i) => TOP + i * LINE) as y (y)}
		<line class="stroke-hair" x1="0" x2={width} y1={y} y2={y} />
	{/each}
	{#each bars as bar (bar.index)}
		<line
			class="stroke-ink stroke-[1.4]"
			x1={axis.x(bar.startTick)}
			x2={axis.x(bar.startTick)}
			y1={TOP}
			y2={bottom}
		/>
	{/each}
	{#each digits as { note, x, landing, change, held, sign, rings, stroke } (note.tick)}
		{@const now = landing && change === open.before?.index}
		{@const next = landing && change === open.cursor && open.next !== null}
		{#if held !== null}
			<line
				class="stroke-second stroke-2 now:fill-now-ink now:stroke-now-line next:fill-next-ink next:stroke-next-line"
				data-tense={now ? 'now' : next ? 'next' : undefined}
				x1={x + 12}
				x2={held}
				y1={row(note.string)}
				y2={row(note.string)}
			/>
		{/if}
		{#if note.tick === transport.noteTick}
			<rect
				data-part="sounding"
				class="fill-paper stroke-ink stroke-[2.5]"
				x={x - 11}
				y={row(note.string) - 11}
				width="22"
				height="22"
			/>
		{/if}
		<text
			class="fill-ink stroke-paper stroke-[6px] text-head font-bold [paint-order:stroke] anchor-middle data-small:stroke-[4px] data-small:text-line data-small:font-medium now:fill-now-ink next:fill-next-ink"
			data-tense={now ? 'now' : next ? 'next' : undefined}
			data-small={!landing || undefined}
			{x}
			y={row(note.string)}
			dy="0.35em">{note.fret}</text
		>
		{#if sign}
			<text
				class="fill-second stroke-paper stroke-[3px] text-count font-semibold [paint-order:stroke] anchor-end data-rings:anchor-start"
				data-rings={rings || undefined}
				x={x + (rings ? 1 : -1) * (landing ? 9 : 6)}
				y={row(note.string) - 4}>{sign}</text
			>
		{/if}
		{#if stroke}
			<path
				data-part="stroke"
				class="fill-none stroke-second stroke-[1.8]"
				d={stroke === 'down'
					? `M${x - 4},${bottom + 17}v-8h8v8`
					: `M${x - 4},${bottom + 9}l4,8l4,-8`}
			/>
		{/if}
	{/each}
</svg>
