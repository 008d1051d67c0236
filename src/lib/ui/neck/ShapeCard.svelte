<script lang="ts" module>
	import { type Role, roleKind } from '$core/chord';
	import type { Notation } from '$core/pitch';
	import { type Place, type Shape, windowFrets, type Instrument } from '$core/neck';

	/** What is drawn: notes with roles and fingers; in a path they are joined, of a grip the muted strings are told. */
	export type Drawing = Pick<Shape, 'rolls'> & {
		readonly notes: readonly (Place & {
			readonly role: Role;
			readonly name: Notation;
			readonly midi: number;
			readonly finger: number | null;
		})[];
		readonly joined: boolean;
		readonly muted?: readonly number[];
	};
</script>

<script lang="ts">
	import { prefs } from '$lib/state/prefs.svelte';
	import { labelShift, shapePath, shapeStroke } from '$lib/draw/role-shape';

	/** An arpeggio shape or a grip as a small piece of neck: names or roles in the marks, fingers beside them, frets below. */
	type Props = {
		drawing: Drawing;
		tense: 'now' | 'next';
		instrument: Instrument;
		position: number;
		leftHanded: boolean;
	};
	let { drawing, tense, instrument, position, leftHanded }: Props = $props();

	const WIDTH = 168;
	const HEIGHT = 96;
	/** Under the strings, for the numbers of the frets. */
	const FOOT = 13;
	const [LEFT, TOP] = [4, 10];
	const strings = $derived(instrument.open.length);
	/** The place, and beyond it as far as the notes go. */
	const span = $derived.by(() => {
		const { low, high } = windowFrets(instrument, position);
		const frets = drawing.notes.map((note) => note.fret);
		return { low: Math.min(low, ...frets), high: Math.max(high, ...frets) };
	});
	const low = $derived(Math.max(1, span.low));
	const frets = $derived(span.high - low + 1);
	/** Room for open strings before the nut. */
	const opens = $derived(span.low === 0 || drawing.muted !== undefined);
	const left = $derived(LEFT + (opens ? 18 : 0));
	const step = $derived((WIDTH - LEFT - left) / frets);
	const gap = $derived((HEIGHT - 2 * TOP) / (strings - 1));
	const flip = (x: number) => (leftHanded ? WIDTH - x : x);
	const wire = (fret: number) => flip(left + (fret - low + 1) * step);
	const x = (fret: number) =>
		fret === 0 ? flip(left - 10) : flip(left + (fret - low + 0.5) * step);
	const y = (string: number) =>
		TOP + (prefs.current.thinStringOnTop ? string - 1 : strings - string) * gap;
	const label = (note: Drawing['notes'][number]) =>
		prefs.label({ role: note.role, name: note.name, pc: note.midi % 12 });
	const path = $derived(drawing.notes.map((note) => `${x(note.fret)},${y(note.string)}`).join('L'));
	const radius = $derived(Math.min(9, gap * 0.52, step * 0.75));
	const lit = $derived(
		[wire(position - 1), wire(Math.min(span.high, position + 3))].sort((a, b) => a - b)
	);
</script>

<svg class="block w-full" viewBox="0 0 {WIDTH} {HEIGHT + FOOT}" aria-hidden="true">
	<rect
		class="fill-lit"
		x={lit[0]}
		width={lit[1] - lit[0]}
		y={TOP - 4}
		height={HEIGHT - 2 * TOP + 8}
	/>
	{#each Array.from({ length: frets + 1 }, (_, i) => low - 1 + i) as fret (fret)}
		<line
			class="stroke-hair stroke-[1.2] data-nut:stroke-ink data-nut:stroke-4"
			data-nut={fret === 0 || undefined}
			x1={wire(fret)}
			x2={wire(fret)}
			y1={TOP - 4}
			y2={HEIGHT - TOP + 4}
		/>
	{/each}
	{#each Array.from({ length: frets }, (_, i) => low + i) as fret (fret)}
		<text
			class="fill-second font-mono font-medium anchor-middle"
			x={flip(left + (fret - low + 0.5) * step)}
			y={HEIGHT + 9}
			font-size="10">{fret}</text
		>
	{/each}
	{#each Array.from({ length: strings }, (_, i) => i + 1) as string (string)}
		<line
			class="stroke-strong stroke-1"
			x1={wire(low - 1)}
			x2={wire(span.high)}
			y1={y(string)}
			y2={y(string)}
		/>
	{/each}
	{#if drawing.joined}<path class="fill-none stroke-ink stroke-[1.4]" d="M{path}" />{/if}
	{#each drawing.muted ?? [] as string (string)}
		{@const at = flip(LEFT + 5)}
		<path
			class="fill-none stroke-second"
			d="M{at - 4},{y(string) - 4}l8,8m0,-8l-8,8"
			stroke-width="1.6"
		/>
	{/each}
	{#each drawing.rolls as [a, b] (a)}
		{@const [from, to] = [drawing.notes[a], drawing.notes[b]]}
		<line
			class="stroke-ink stroke-5"
			x1={x(from.fret)}
			x2={x(to.fret)}
			y1={y(from.string)}
			y2={y(to.string)}
		/>
	{/each}
	{#each drawing.notes as note, i (i)}
		{@const kind = roleKind(note.role)}
		<path
			class="now:fill-now-fill now:stroke-now-line data-root:now:fill-now next:fill-next-fill next:stroke-next-line data-root:next:fill-next"
			data-tense={tense}
			data-root={kind === 'root' || undefined}
			transform="translate({x(note.fret)},{y(note.string)})"
			d={shapePath(kind, radius)}
			stroke-width={shapeStroke(kind)}
		/>
		<text
			class="fill-ink font-bold anchor-middle data-onfill:fill-on-now"
			data-onfill={kind === 'root' || undefined}
			x={x(note.fret)}
			y={y(note.string) + labelShift(kind) * radius}
			dy="0.35em"
			font-size={radius < 7 ? 7.5 : label(note).length > 2 ? 7.5 : 9}>{label(note)}</text
		>
		{#if note.finger !== null}
			<text
				class="fill-ink stroke-lit stroke-2 font-bold [paint-order:stroke] anchor-end"
				x={x(note.fret) - radius - 1}
				y={y(note.string) - radius * 0.3}
				font-size="9">{note.finger}</text
			>
		{/if}
	{/each}
</svg>
