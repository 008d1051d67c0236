<script lang="ts">
	import { chartTicks, eventAt, type Change } from '$core/chart';
	import { signs, type Role } from '$core/chord';
	import { windowPlaces } from '$core/neck';
	import { APPROACH_WORDS } from '$core/route';
	import type { TargetAnswer } from '$lib/api/plan-schema';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import { hear } from '$lib/state/hear';
	import { useTransport } from '$lib/state/transport.svelte';
	import { pitchesOf, placeFor } from '$lib/state/line-edit';
	import type { LineWriter } from '$lib/state/line-writer.svelte';
	import type { LineSelection } from '$lib/state/line-selection.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import RoleMark from '../RoleMark.svelte';
	import StripBands from './StripBands.svelte';
	import LineNotes from './LineNotes.svelte';
	import StripNames from './StripNames.svelte';
	import StripPassed from './StripPassed.svelte';
	import {
		arcAt,
		arcPath,
		bulge,
		handLabel,
		moveArrow,
		moveLabel,
		pitchAxis,
		type TimeAxis
	} from '$lib/draw/strip-geometry';

	type Props = {
		plan: RoutePlan;
		selection: LineSelection;
		writer: LineWriter;
		axis: TimeAxis;
		width: number;
		/** Ticks of one place of the grid. */
		grid: number;
		/** Something else stands over it: it takes less room. */
		low?: boolean;
	};
	let { plan, selection, writer, axis, width, grid, low = false }: Props = $props();
	const open = useTune();
	const transport = useTransport();
	/** The note that sounds while music plays. */
	const sounding = $derived(transport.sounding);
	const uid = $props.id();

	const HEIGHT = $derived(low ? 222 : 246);
	/** A line needs more height than landings alone. */
	const filled = $derived(plan.line.length > 0);
	const TOP = $derived(filled ? 74 : 98);
	const BOTTOM = $derived(HEIGHT - (filled ? 56 : 74));
	/** The highest that an arc may bulge without reaching the chord names. */
	const MOST = $derived(filled ? 22 : 66);
	/** While a line is written every pitch of the place has a height. */
	const shown = $derived.by(() => {
		const notes = filled ? plan.line : [...plan.targets, ...plan.old];
		if (!writer.on && notes.length > 0) return notes;
		const { held: instrument } = open;
		const position = plan.handAt(open.cursor);
		const places = windowPlaces(instrument, position);
		return [...plan.line, ...places];
	});
	const y = $derived(pitchAxis(shown, TOP, BOTTOM));
	/** A click on the strip while writing: the pitch of the chord or scale that is nearest to it. */
	function write(event: MouseEvent): void {
		if (!writer.on) return;
		const box = (event.currentTarget as SVGSVGElement).getBoundingClientRect();
		const at = ((event.clientX - box.left) / box.width) * width;
		const height = ((event.clientY - box.top) / box.height) * HEIGHT;
		const tick = Math.round(axis.tick(at) / grid) * grid;
		const { held: instrument, chart } = open;
		const position = plan.handAt(open.cursor);
		const sounding = eventAt(chart, tick);
		const pcs = pitchesOf(sounding?.chord ?? null, plan.scales[sounding?.index ?? 0] ?? null);
		const near = windowPlaces(instrument, position)
			.filter((place) => pcs === null || pcs.has(place.midi % 12))
			.sort((a, b) => Math.abs(y(a.midi) - height) - Math.abs(y(b.midi) - height))[0];
		if (!near) return;
		const string = selection.leading?.string ?? near.string;
		const place = placeFor({ instrument, position }, near.midi, { string, fret: near.fret });
		hear(near.midi);
		if (place) writer.put(place, tick);
	}

	type Point = {
		readonly target: TargetAnswer;
		readonly change: Change;
		readonly x: number;
		readonly y: number;
	};
	const points = $derived(
		plan.targets.flatMap((target): Point[] => {
			const change = open.chart.changes[target.change];
			return change ? [{ target, change, x: axis.x(target.tick), y: y(target.midi) }] : [];
		})
	);
	/** Arcs from target to target, and the loop's return to the top at the end. */
	const arcs = $derived.by(() => {
		const all = points.slice(1).map((to, i) => ({ from: points[i], to, top: false }));
		const [first] = points;
		const last = points.at(-1);
		if (first && last && first !== last) {
			all.push({ from: last, to: { ...first, x: axis.x(chartTicks(open.chart)) }, top: true });
		}
		return all
			.filter(({ from, to }) => to.x > -40 && from.x < width + 40)
			.map((arc) => ({ ...arc, on: arc.to.change.index === open.cursor }));
	});
	/** How high the arc is over a tick, for the stems of the line. */
	const arcY = (tick: number): number | null => {
		const x = axis.x(tick);
		const arc = arcs.find(({ from, to }) => x >= from.x && x <= to.x);
		if (!arc) return null;
		const { from, to } = arc;
		const height = Math.min(MOST, bulge(to.target.midi - from.target.midi));
		return arcAt(from.x, from.y, to.x, to.y, height, x);
	};
	const arrivalOf = (change: number): string | null => {
		const at = plan.targets.findIndex((target) => target.change === change);
		const kind = plan.arrivalKinds[at];
		return kind ? APPROACH_WORDS[kind] : null;
	};
	const isNext = (index: number) => index === open.cursor;
	const isNow = (index: number) => index === open.before?.index;
	const tense = (index: number, role: Role): { now?: Role; next?: Role; ink?: Role } =>
		isNext(index) && open.next ? { next: role } : isNow(index) ? { now: role } : { ink: role };
	const visible = $derived(points.filter((point) => point.x > 8 && point.x < width - 8));
	/** The old line, where the chart has changed since. */
	const faint = $derived(
		plan.old.flatMap(({ tick, durationTicks, midi }) => {
			const [x1, x2] = [axis.x(tick) + 2, axis.x(tick + durationTicks) - 4];
			return x2 < 0 || x1 > width ? [] : [{ tick, x1, x2: Math.max(x1 + 1, x2), at: y(midi) }];
		})
	);
	const topPoint = $derived(arcs.find((arc) => arc.top && arc.to.x < width + 10)?.to);
	const labels = $derived(
		arcs.flatMap(({ from, to, on }) => {
			const left = Math.max(0, from.x);
			const room = Math.min(width, to.x) - left;
			return room < 40 ? [] : [{ x: left + 11, from: from.target, to: to.target, on, room }];
		})
	);
</script>

<!-- Pointer only: while writing, the neck takes the same notes by keys. -->
<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_noninteractive_element_interactions -->
<svg
	class="block data-writing:cursor-crosshair"
	data-writing={writer.on || undefined}
	{width}
	height={HEIGHT}
	viewBox="0 0 {width} {HEIGHT}"
	role="group"
	aria-label="Arc strip, bars {axis.from + 1} to {axis.to}"
	onclick={write}
>
	<defs>
		<linearGradient id="{uid}-arc">
			<stop offset="0" class="[stop-color:var(--now-line)]" /><stop
				offset="1"
				class="[stop-color:var(--next-line)]"
			/>
		</linearGradient>
	</defs>
	<StripBands {axis} {width} height={HEIGHT} {y} planned={plan.planned} />
	{#each faint as { tick, x1, x2, at } (tick)}
		<line
			data-part="old"
			class="stroke-third stroke-4 opacity-50 cap-round"
			{x1}
			{x2}
			y1={at}
			y2={at}
		/>
	{/each}
	<!-- What was planned for other wishes steps back until the new plan is there. -->
	<g
		class="transition-opacity delay-100 data-stale:opacity-40"
		data-stale={plan.stale || undefined}
	>
		{#each arcs as { from, to, on } (`${from.change.index}-${to.change.index}`)}
			{@const height = Math.min(MOST, bulge(to.target.midi - from.target.midi))}
			<path
				class="fill-none stroke-second stroke-[2.25] data-on:stroke-[var(--arc,var(--next-line))] data-on:stroke-[4.5]"
				data-on={on || undefined}
				style:--arc={on ? `url(#${uid}-arc)` : undefined}
				d={arcPath(from.x, from.y, to.x, to.y + 0.01, height)}
			/>
		{/each}
		{#each labels as label (label.x)}
			{@const semitones = label.to.midi - label.from.midi}
			<text class="fill-ink text-line font-bold" x={label.x} y={HEIGHT - 36}>
				{moveArrow(semitones)}
				{label.room > 116 ? moveLabel(semitones) : Math.abs(semitones)}
				{#if label.room > 150 && plan.isFrozen(label.from.change)}· kept{/if}
			</text>
			{#if label.room > 130}
				<text class="fill-second text-reason" x={label.x + 20} y={HEIGHT - 17}
					>{arrivalOf(label.to.change) ?? handLabel(label.from, label.to)}</text
				>
			{/if}
		{/each}
		{#if filled}
			<LineNotes {plan} {selection} {axis} {width} {y} {arcY} {grid} still={writer.on} />
		{/if}
		{#if topPoint}
			<g transform="translate({topPoint.x},{topPoint.y})"
				><circle class="fill-paper stroke-ink stroke-2" r="6" /></g
			>
		{/if}
		{#each visible as { target, change, x, y } (change.index)}
			{@const tone = { role: target.role, name: target.name, pc: target.midi % 12 }}
			<!-- svelte-ignore a11y_click_events_have_key_events -->
			<g
				role="button"
				class="cursor-pointer outline-offset-4"
				transform="translate({x},{y})"
				tabindex={isNext(change.index) ? 0 : -1}
				aria-current={isNext(change.index) ? 'step' : undefined}
				aria-label="Target of bar {change.bar}, beat {change.beat}: {prefs.name(
					target.name
				)}, {signs(target.role)} of {change.to
					.symbol}, string {target.string}, fret {target.fret}{plan.isLocked(change.index)
					? ', locked'
					: ''}"
				onclick={() => {
					if (writer.on) return;
					open.cursor = change.index;
					hear(target.midi);
					if (filled) selection.pick(target.tick);
				}}
			>
				<RoleMark
					{...tense(change.index, target.role)}
					label={prefs.label(tone)}
					r={filled ? (isNext(change.index) ? 15 : 12.6) : isNext(change.index) ? 16 : 14}
					target
					locked={plan.isLocked(change.index)}
				/>
			</g>
		{/each}
	</g>
	<StripPassed {plan} {axis} {width} y={(TOP + BOTTOM) / 2} />
	{#if sounding}
		<circle
			data-part="sounding"
			class="pointer-events-none fill-none stroke-ink stroke-[3.5]"
			cx={axis.x(sounding.tick)}
			cy={y(sounding.midi)}
			r="20"
		/>
	{/if}
	{#if writer.caret !== null}
		{@const at = axis.x(writer.caret)}
		<g class="pointer-events-none fill-ink stroke-ink stroke-2" data-tick={writer.caret}>
			<line x1={at} x2={at} y1="56" y2={HEIGHT - 52} />
			<path d="M{at - 7},50h14l-7,9Z" />
		</g>
	{/if}
	<StripNames {axis} {width} />
</svg>
