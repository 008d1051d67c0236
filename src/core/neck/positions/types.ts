import type { Scale } from '../../harmony';
import type { Place } from '../instrument';
import type { Notation } from '../../pitch';

/** Ways to lay a scale out on the neck. */
export const FAMILIES = ['box', 'n-per-string', 'diagonal', 'pocket', 'single-fret'] as const;
export type Family = (typeof FAMILIES)[number];

/** A scale note in a position. `finger` 1 … 4, null on an open string or under a slide. */
export type PositionNote = Place & {
	readonly midi: number;
	readonly name: Notation;
	readonly degree: Notation;
	readonly finger: number | null;
	readonly reach: boolean;
	/** A passing note between two of the scale. */
	readonly passing?: boolean;
};

/** One position: notes ascend. `position` is the fret of the index finger where it starts. */
export type Position = {
	readonly id: string;
	readonly family: Family;
	readonly position: number;
	readonly lowFret: number;
	readonly highFret: number;
	readonly notes: readonly PositionNote[];
	/** Notes before which the hand moves; none where it stays. */
	readonly shifts: readonly number[];
};

/** The note of a scale that a pitch sounds, if any. */
export const scaleNoteAt = (scale: Scale, midi: number) =>
	scale.notes.find((note) => note.pc === midi % 12);

/** Closes a list of notes into a position. */
export function toPosition(
	family: Family,
	id: string,
	position: number,
	notes: readonly PositionNote[]
): Position {
	const frets = notes.map((note) => note.fret);
	return {
		id: `${family}-${id}`,
		family,
		position,
		lowFret: Math.min(...frets),
		highFret: Math.max(...frets),
		notes,
		shifts: []
	};
}
