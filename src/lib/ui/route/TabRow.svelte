<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import { changeIndexAt, beatTicks } from '$core/chart';
	import { strokesOf } from '$core/route';
	import type { NoteAnswer } from '$lib/api/plan-schema';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { useTransport } from '$lib/state/transport.svelte';
	import { ownStroke, tabSign } from '$lib/draw/played-signs';
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
	const stroked = $derived(
		strokes.length > 0 || plan.line.some((note) => ownStroke(note) !== null)
	);
	const foot = $derived(bottom + (stroked ? 20 : 14));
	const spot = ({ tick, durationTicks, string }: NoteAnswer) => {
		const x = axis.x(tick);
		return x < 8 || x >= width - 4
			? null
			: { x, y: row(string), end: axis.x(tick + durationTicks) };
	};
	const digits = $derived(
		notes.flatMap((note, i) => {
			const x = axis.x(note.tick);
			if (x < 8 || x >= width - 4) return [];
			const landing = !('kind' in note) || note.kind === 'target';
			const change = changeIndexAt(open.chart, note.tick);
			const end = 'kind' in note ? axis.x(note.tick + note.durationTicks) : x;
			const said = 'kind' in note ? tabSign(note) : String(note.fret);
			const shaken = 'kind' in note && (note.technique !== null || note.also !== undefined);
			const held = landing && end - x > 60 && !shaken ? end - 8 : null;
			const own = 'kind' in note ? ownStroke(note) : null;
			return [{ note, x, landing, change, said, held, stroke: own ?? strokes[i] ?? null }];
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
	{#each digits as { note, x, landing, change, held, said, stroke } (8 * note.tick + note.string)}
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
			dy="0.35em">{said}</text
		>
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
	{#await fetched(() => import('../TechniqueMarks.svelte')) then Marks}<Marks.default
			notes={plan.line}
			{spot}
			size={15}
		/>{/await}
</svg>
