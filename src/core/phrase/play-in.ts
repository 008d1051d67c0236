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
 * Puts what was played on the nearest places of a grid, one voice: of two notes on one place the later one
 * moves on by one; a note sounds until it was let go, or until the next.
 * @param grid ticks between two places
 * @param played when a written tick is played, so that swung notes find their place; by default at once
 */
export function ontoGrid(
	struck: readonly Struck[],
	grid: number,
	played: (tick: number) => number = (tick) => tick
): Played[] {
	const place = (tick: number): number => {
		// Plus nought, so that a little too early is not minus nought.
		const near = Math.round(tick / grid) + 0;
		return [near - 1, near, near + 1]
			.map((at) => ({ at, off: Math.abs(played(at * grid) - tick) }))
			.sort((a, b) => a.off - b.off || a.at - b.at)[0]!.at;
	};
	const notes: { at: number; end: number; midi: number }[] = [];
	for (const { from, to, midi } of [...struck].sort((a, b) => a.from - b.from)) {
		const last = notes.at(-1);
		const at = Math.max(place(from), last ? last.at + 1 : -Infinity);
		notes.push({ at, end: Math.max(at + 1, place(to)), midi });
	}
	return notes.map(({ at, end, midi }, i) => ({
		tick: at * grid,
		durationTicks: (Math.min(end, notes[i + 1]?.at ?? Infinity) - at) * grid,
		midi
	}));
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
