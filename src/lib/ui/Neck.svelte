<script lang="ts">
	import { clamp } from '$core/kernel';
	import type { Chord } from '$core/chord';
	import { compareChords } from '$core/chart';
	import type { Scale } from '$core/harmony';
	import { highestFret, samePlace, type Instrument, type Place } from '$core/neck';
	import { prefs } from '$lib/state/prefs.svelte';
	import { neckGeometry } from '$lib/draw/neck-geometry';
	import type { Figure } from '$lib/draw/figure';
	import { neckMarks, placeWords, type NeckMark } from './neck-marks';
	import { NeckDrag } from './neck-drag.svelte';
	import NeckDots from './NeckDots.svelte';
	import NeckBoard from './NeckBoard.svelte';
	import NeckFigure from './NeckFigure.svelte';
	import NeckWays from './NeckWays.svelte';
	import NeckPlace from './NeckPlace.svelte';

	type Landing = Place & { readonly bar: number; readonly locked?: boolean };
	type Props = {
		instrument: Instrument;
		position: number;
		now: Chord | null;
		next: Chord | null;
		/** Drawn as dashes inside the window. */
		scale?: Scale | null;
		/** The chord that scale notes are judged over: the sounding one, shown or not. */
		over?: Chord | null;
		/** Finger numbers beside the marks. */
		fingers?: boolean;
		/** Arrows where a tone moves by a semitone on its string. */
		moves?: boolean;
		/** Something picked out; the rest steps back. */
		figure?: Figure | null;
		/** Frets drawn; by default the whole neck. */
		from?: number;
		to?: number;
		height?: number;
		/** The landing before and the landing that is looked at. */
		before?: Landing | null;
		target?: Landing | null;
		/** A note of the line that is picked out. */
		picked?: Place | null;
		/** The place that sounds while music plays. */
		sounding?: Place | null;
		/** Places that no landing takes. */
		forbidden?: readonly Place[];
		/** Every place of the window can be chosen, whatever it sounds. */
		every?: boolean;
		onposition: (position: number) => void;
		/** A place was chosen: click, Enter or Space. */
		/** A place was chosen; with Shift together with what was chosen before. */
		onplace?: (place: Place, together: boolean) => void;
	};
	let {
		instrument,
		position,
		now,
		next,
		scale = null,
		over = now,
		fingers = false,
		moves = false,
		figure = null,
		from = 0,
		to = highestFret(instrument),
		height = 236,
		before = null,
		target = null,
		picked = null,
		sounding = null,
		forbidden = [],
		every = false,
		onposition,
		onplace
	}: Props = $props();

	let width = $state(1168);
	let active: { string: number; fret: number } | null = $state(null);
	let svg: SVGSVGElement;

	const leftHanded = $derived(prefs.current.leftHanded || instrument.leftHanded === true);
	const count = $derived(instrument.open.length);
	/** Room over and under the strings for fingers and frets. */
	const edge = $derived(height < 200 ? 30 : 44);
	const geometry = $derived(
		neckGeometry({
			...{ width, height, strings: count, from, to },
			left: from <= 0 ? 58 : 22,
			right: 2,
			top: edge,
			bottom: height - edge,
			thinOnTop: prefs.current.thinStringOnTop,
			leftHanded
		})
	);
	const spacing = $derived((height - 2 * edge) / (count - 1));
	const radius = $derived(Math.max(8, Math.min(14.5, width / 62, spacing * 0.43)));
	const marks = $derived(
		neckMarks(instrument, position, { now, next, scale, over, every }, from, to)
	);
	const inside = $derived(marks.filter((mark) => mark.inside));
	const x = (fret: number) => geometry.place(fret);
	const y = (place: Place) => geometry.string(place.string, x(place.fret));

	/** Semitone moves from the sounding chord to the coming one that stay on a string of the window. */
	const arrows = $derived.by(() => {
		if (!moves || figure || !now || !next) return [];
		const semitones = compareChords(now, next).moves.filter((m) => Math.abs(m.semitones) === 1);
		return inside.flatMap((mark) =>
			semitones.flatMap(({ from: old, to: fresh, semitones: by }) => {
				if (mark.now !== old || mark.next) return [];
				const goal = inside.find(
					(other) => other.string === mark.string && other.fret === mark.fret + by
				);
				return goal?.next === fresh ? [{ mark, goal }] : [];
			})
		);
	});
	const inFigure = (mark: Place) => figure?.notes.some((note) => samePlace(note, mark)) ?? false;
	const fingerOf = (mark: NeckMark) =>
		mark.fret === 0 ? '' : String(clamp(mark.fret - position + 1, 1, 4));

	const label = (mark: NeckMark) => {
		const tone = mark.next ?? mark.now;
		return tone ? prefs.label(tone) : '';
	};
	/** Scale notes have their names too, where strings are far enough apart. */
	const dash = ({ scale: note, now, next }: NeckMark) =>
		note && !now && !next && spacing > 20 && prefs.current.labels === 'names'
			? prefs.name(note.name)
			: '';
	const targetWords = (mark: NeckMark) =>
		samePlace(target, mark) && target
			? `target of bar ${target.bar}`
			: samePlace(before, mark) && before
				? `target of bar ${before.bar}`
				: forbidden.some((place) => samePlace(place, mark))
					? 'left out of landings'
					: null;
	/** The mark that takes the focus: the one walked to, else the target, else the first. */
	const home = $derived(
		inside.find((mark) => samePlace(active, mark)) ??
			inside.find((mark) => samePlace(target, mark)) ??
			inside[0]
	);

	const hand = new NeckDrag(() => ({
		...{ svg, width, instrument, position, onposition },
		// The one of this moment: a press keeps it, whatever scrolls into view.
		fretAt: geometry.fretAt
	}));

	function walk(event: KeyboardEvent, mark: NeckMark): void {
		const onward = leftHanded ? -1 : 1;
		const thin = prefs.current.thinStringOnTop ? 1 : -1;
		const step: Record<string, [number, number]> = {
			ArrowLeft: [0, -onward],
			ArrowRight: [0, onward],
			ArrowUp: [-thin, 0],
			ArrowDown: [thin, 0]
		};
		const move = step[event.key];
		if (move) {
			event.preventDefault();
			const [strings, frets] = move;
			const ahead = inside.filter((other) =>
				strings !== 0
					? (other.string - mark.string) * strings > 0
					: other.string === mark.string && (other.fret - mark.fret) * frets > 0
			);
			const distance = (other: NeckMark) =>
				Math.abs(other.string - mark.string) * 10 + Math.abs(other.fret - mark.fret);
			const found = ahead.sort((a, b) => distance(a) - distance(b))[0];
			if (!found) return;
			active = { string: found.string, fret: found.fret };
			svg.querySelector<SVGGElement>(`[data-place="${found.string}-${found.fret}"]`)?.focus();
		} else if ((event.key === 'Enter' || event.key === ' ') && onplace) {
			event.preventDefault();
			onplace(mark, event.shiftKey);
		}
	}
</script>

<div class="w-full overflow-hidden" bind:clientWidth={width}>
	<svg
		class="block touch-pan-y select-none data-dragging:cursor-grabbing"
		data-dragging={hand.dragging || undefined}
		bind:this={svg}
		{width}
		{height}
		viewBox="0 0 {width} {height}"
		onpointerdown={hand.grab}
		onpointermove={hand.drag}
		onpointerup={hand.release}
		onpointercancel={hand.release}
		role="group"
		aria-label="Neck, position {position}"
	>
		<NeckBoard {instrument} {position} {geometry} {from} {to} {width} {height} {onposition} />
		{#if !figure}<NeckDots marks={marks.filter((mark) => !mark.inside)} {x} {y} />{/if}
		<NeckWays {before} {target} moves={arrows} {radius} {x} {y} />
		<g
			role="grid"
			data-arrows={every ? 'always' : undefined}
			aria-label="Chord tones in position {position}; arrows move, thin string first"
			tabindex="-1"
		>
			{#each Array.from({ length: count }, (_, i) => i + 1) as string (string)}
				{@const row = inside.filter((mark) => mark.string === string)}
				{#if row.length > 0}
					<g role="row">
						{#each row.sort((a, b) => Number(samePlace(target, a)) - Number(samePlace(target, b))) as mark (mark.fret)}
							{@const faded = figure !== null && !inFigure(mark)}
							<g
								role="gridcell"
								data-part="place"
								class="group/place outline-none data-choosable:cursor-pointer data-faded:opacity-28"
								data-faded={faded || undefined}
								data-choosable={onplace || undefined}
								data-place="{mark.string}-{mark.fret}"
								tabindex={mark === home ? 0 : -1}
								aria-label={placeWords(mark, now, next, targetWords(mark))}
								aria-selected={samePlace(target, mark)}
								transform="translate({x(mark.fret)},{y(mark)})"
								onkeydown={(event) => walk(event, mark)}
								onclick={(event) => onplace?.(mark, event.shiftKey)}
								onfocus={() => (active = { string: mark.string, fret: mark.fret })}
							>
								<circle
									class="fill-transparent stroke-none group-focus-visible/place:stroke-ink group-focus-visible/place:stroke-3"
									r={radius + 8}
								/>
								<!-- What is picked out has a mark of its own here. -->
								{#if !inFigure(mark)}
									<NeckPlace
										{mark}
										{radius}
										label={label(mark)}
										dash={dash(mark)}
										landing={samePlace(target, mark)
											? 'target'
											: samePlace(before, mark)
												? 'before'
												: null}
										locked={(samePlace(target, mark) && target?.locked) ?? false}
										{faded}
										finger={fingers ? fingerOf(mark) : ''}
										picked={samePlace(picked, mark)}
										forbidden={forbidden.some((place) => samePlace(place, mark))}
									/>
								{/if}
							</g>
						{/each}
					</g>
				{/if}
			{/each}
		</g>
		{#if figure}<NeckFigure {figure} {radius} {x} {y} />{/if}
		{#if sounding && sounding.fret >= from && sounding.fret <= to}
			<circle
				data-part="sounding"
				class="pointer-events-none fill-none stroke-ink stroke-[3.5]"
				cx={x(sounding.fret)}
				cy={y(sounding)}
				r={radius + 5}
			/>
		{/if}
	</svg>
</div>
