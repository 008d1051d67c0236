<script lang="ts">
	import { beatTicks, eventAt, type Change, type PlayedBar } from '$core/chart';
	import { signs } from '$core/chord';
	import { roleOfPitch, type Phrase } from '$core/phrase';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import { hear } from '$lib/state/hear';
	import { useTransport } from '$lib/state/transport.svelte';
	import { fittingSize } from '$lib/draw/chord-width';
	import ChordText from '../ChordText.svelte';
	import RoleMark from '../RoleMark.svelte';
	import { moveArrow, moveLabel } from '$lib/draw/strip-geometry';

	/** A phrase over one chord: time to the right, pitch up, treads that rise to its landing. */
	type Props = {
		phrase: Phrase;
		change: Change;
		bar: PlayedBar;
		tense: 'now' | 'next';
		/** Lowest and highest pitch of the row, so that its cells share one height. */
		low: number;
		high: number;
		width: number;
		height: number;
		/** Words at the right of the chord. */
		says: string;
		place: string;
		/** Ticks that the cell spans. */
		span: number;
		picked?: number | null;
		onpick?: (index: number) => void;
	};
	let {
		phrase,
		change,
		bar,
		tense,
		low,
		high,
		width,
		height,
		says,
		place,
		span,
		picked = null,
		onpick
	}: Props = $props();
	const open = useTune();
	const transport = useTransport();

	const LEFT = 18;
	const TOP = 78;
	const x = (tick: number) => LEFT + ((tick - change.tick) / span) * (width - LEFT - 14);
	const y = (midi: number) =>
		height - 42 - ((midi - low) / Math.max(5, high - low)) * (height - 42 - TOP);
	const beats = $derived(
		Array.from({ length: Math.round(span / beatTicks(bar.signature)) }, (_, i) => ({
			count: (i % bar.signature.beats) + 1,
			x: x(change.tick + i * beatTicks(bar.signature))
		}))
	);
	const notes = $derived(
		phrase.notes.map((note, i) => {
			const chord = eventAt(open.chart, note.tick)?.chord ?? change.to.chord;
			const role = roleOfPitch(chord, note.midi);
			return { note, role, last: i === phrase.notes.length - 1, x: x(note.tick), y: y(note.midi) };
		})
	);
	const r = $derived(phrase.notes.length > 10 ? 8 : 11.5);
	const last = $derived(notes[notes.length - 1]);
	const before = $derived(notes[notes.length - 2]);
	/** The words of the last move stand under its mark and ring, or over it where there is no room. */
	const moveY = $derived.by(() => {
		const under = (last?.y ?? 0) + r + 29;
		return under < height - 28 ? under : (last?.y ?? 0) - r - 20;
	});
	/** The line through the notes, rounded where it turns. */
	const path = $derived(
		notes
			.map((entry, i) => {
				if (i === 0) return `M${entry.x},${entry.y}`;
				const from = notes[i - 1];
				const mid = (from.x + entry.x) / 2;
				return `C${mid},${from.y} ${mid},${entry.y} ${entry.x},${entry.y}`;
			})
			.join('')
	);
</script>

<svg
	{width}
	{height}
	viewBox="0 0 {width} {height}"
	class="block not-first-of-type:border-l-[1.5px] not-first-of-type:border-l-ink"
	data-tense={tense}
	role="group"
	aria-label="{signs(change.to.symbol)}, {says}"
>
	<rect class="fill-now-tint/55 in-next:fill-next-tint/50" {width} {height} />
	<g class="fill-now-ink in-next:fill-next-ink">
		<ChordText
			chord={change.to.chord}
			x={12}
			y={46}
			size={fittingSize(change.to.chord, width - 170, [38, 32, 26, 20])}
		/>
	</g>
	<text
		class="fill-now-ink text-reason font-bold anchor-end in-next:fill-next-ink"
		x={width - 12}
		y="24">{says}</text
	>
	<text
		class="fill-second text-reason font-normal anchor-end in-next:fill-second in-next:font-normal"
		x={width - 12}
		y="43">{place}</text
	>
	<line class="stroke-hair" x1="0" x2={width} y1={height - 24} y2={height - 24} />
	{#each beats as beat, i (i)}
		<line class="stroke-strong" x1={beat.x} x2={beat.x} y1={height - 24} y2={height - 18} />
		<text
			class="fill-second text-count anchor-middle data-one:fill-ink data-one:font-bold"
			data-one={beat.count === 1 || undefined}
			x={beat.x}
			y={height - 5}>{beat.count}</text
		>
	{/each}
	{#if last}
		<path class="fill-none stroke-now-line stroke-[2.4] in-next:stroke-next-line" d={path} />
		<rect
			class="fill-now-line in-next:fill-next-line"
			x={last.x + r + 8}
			y={last.y - 2.5}
			width={Math.max(0, x(last.note.tick + last.note.durationTicks) - last.x - r - 14)}
			height="5"
		/>
		{#if before && width - last.x > 20}
			<text
				class="fill-ink text-reason font-bold data-left:anchor-end"
				data-left={last.x > width - 120 || undefined}
				x={Math.min(width - 8, last.x + 14)}
				y={moveY}
				>{moveArrow(last.note.midi - before.note.midi)}
				{moveLabel(last.note.midi - before.note.midi)}</text
			>
		{/if}
	{/if}
	{#each notes as entry, i (i)}
		{@const { note, role } = entry}
		<!-- svelte-ignore a11y_click_events_have_key_events -->
		<g
			role="button"
			tabindex={onpick && picked === i ? 0 : -1}
			data-part="note"
			class="cursor-pointer"
			transform="translate({entry.x},{entry.y})"
			aria-label="{prefs.name(note.name)}, {signs(role)} of {signs(
				change.to.symbol
			)}, string {note.string}, fret {note.fret}"
			aria-pressed={picked === i}
			onclick={() => {
				hear(note.midi);
				onpick?.(i);
			}}
		>
			<RoleMark
				now={tense === 'now' ? role : undefined}
				next={tense === 'next' ? role : undefined}
				label={prefs.label({ role, name: note.name, pc: note.midi % 12 })}
				r={entry.last ? r + 3 : r}
				target={entry.last}
			/>
			{#if picked === i || transport.noteTick === note.tick}<circle
					class="fill-none stroke-ink stroke-[2.5]"
					data-part="ring"
					r={r + (entry.last ? 12 : 6)}
				/>{/if}
		</g>
	{/each}
</svg>
