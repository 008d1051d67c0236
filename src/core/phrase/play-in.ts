import type { Chord } from '../chord';
import type { Scale } from '../harmony';
import { windowPlaces, type Instrument } from '../neck';
import { mod, pitchClass } from '../pitch';
import { rootIndex } from './contour';

/** A note that somebody plays: when it was struck and let go, in ticks as played. */
export type Struck = { readonly from: number; readonly to: number; readonly midi: number };

/** A note of one voice in ticks as written. */
export type Played = {
	readonly tick: number;
	readonly durationTicks: number;
	readonly midi: number;
};

/**
 * Puts what was played on the nearest places of a grid: of two notes on one place the later one moves on by one, unless
 * both were struck as one; a note sounds until it was let go. What is let go within a place of the next note ends there.
 * @param grid ticks between two places
 * @param played when a written tick is played, so that swung notes find their place; by default at once
 * @param together ticks within which notes are struck as one; 0 is one voice, in which the next note ends the one before
 * @returns the notes in the order in which they were struck
 */
export function ontoGrid<T extends Struck>(
	struck: readonly T[],
	grid: number,
	played: (tick: number) => number = (tick) => tick,
	together = 0
): (Played & { readonly of: T })[] {
	const place = (tick: number): number => {
		// Plus nought, so that a little too early is not minus nought.
		const near = Math.round(tick / grid) + 0;
		return [near - 1, near, near + 1]
			.map((at) => ({ at, off: Math.abs(played(at * grid) - tick) }))
			.sort((a, b) => a.off - b.off || a.at - b.at)[0]!.at;
	};
	const moments: { at: number; from: number; notes: T[] }[] = [];
	for (const note of [...struck].sort((a, b) => a.from - b.from)) {
		const last = moments.at(-1);
		const one =
			last && together > 0 && note.from - last.from <= together
				? !last.notes.some(({ midi }) => midi === note.midi)
				: false;
		if (last && one) last.notes.push(note);
		else {
			const at = Math.max(place(note.from), last ? last.at + 1 : -Infinity);
			moments.push({ at, from: note.from, notes: [note] });
		}
	}
	return moments.flatMap(({ at, notes }, i) => {
		const next = moments[i + 1]?.at ?? Infinity;
		return notes.map((of) => {
			const end = Math.max(at + 1, place(of.to));
			// Held well into what follows it was meant to ring.
			const until = together > 0 && end > next ? end : Math.min(end, next);
			return { tick: at * grid, durationTicks: (until - at) * grid, midi: of.midi, of };
		});
	});
}

/**
 * Pitches for rows of keys, one octave a row from the lowest upward: the scale's notes, from the chord's
 * root on (or from the scale note nearest to it). The rows begin where they cover most of the hand's place.
 * @param rows how many rows there are
 */
export function keyRows(
	chord: Chord,
	scale: Scale | null,
	instrument: Instrument,
	position: number,
	rows = 3
): number[][] {
	const from = scale ? rootIndex(chord, scale) : 0;
	const notes = scale?.notes ?? chord.tones;
	const base = scale ? scale.notes[from]!.pc : pitchClass(chord.root);
	const rises = notes.map((note) => mod(note.pc - base, 12)).sort((a, b) => a - b);
	const pitches = windowPlaces(instrument, position).map((place) => place.midi);
	const [low, high] = [Math.min(...pitches), Math.max(...pitches)];
	const below = low - mod(low - base, 12);
	const covered = (root: number) => Math.min(high, root + 12 * rows - 1) - Math.max(low, root);
	const root = covered(below + 12) > covered(below) ? below + 12 : below;
	return Array.from({ length: rows }, (_, row) => rises.map((rise) => root + 12 * row + rise));
}
