import type { Shape } from './types';

/** How one shape goes on into a neighbour: on a shared string, from a fret to the next chord tone. */
export type Join = {
	readonly string: number;
	readonly fromFret: number;
	readonly toFret: number;
	/** Frets that the hand moves; positive toward the body. */
	readonly shift: number;
	readonly words: string;
};

const WAYS = ['no shift', 'one fret', 'two frets', 'three frets', 'four frets', 'five frets'];

/**
 * Joins two shapes of one chord in different places: on a string that both use, the last note of the
 * lower place goes on to the next note of the higher one, nearest first, the thinner string first.
 * @returns null when they share no string with such a step.
 */
export function joinShapes(from: Shape, to: Shape): Join | null {
	const shift = to.fingerBase - from.fingerBase;
	if (shift === 0) return null;
	const joins = from.notes.flatMap((note) =>
		to.notes
			.filter((other) => other.string === note.string && (other.fret - note.fret) * shift > 0)
			.map((other) => ({ string: note.string, fromFret: note.fret, toFret: other.fret }))
	);
	const best = joins.sort(
		(a, b) =>
			Math.abs(a.toFret - a.fromFret) - Math.abs(b.toFret - b.fromFret) || a.string - b.string
	)[0];
	if (!best) return null;
	const far = Math.abs(best.toFret - best.fromFret);
	const way = WAYS[far] ?? `${far} frets`;
	const words = `slide ${way} ${shift > 0 ? 'toward the body' : 'toward the nut'} on string ${best.string}`;
	return { ...best, shift, words };
}
