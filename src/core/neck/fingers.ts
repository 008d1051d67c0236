import type { Place } from './instrument';

/** A place with the finger that plays it; null for an open string. */
export type Fingered = Place & { readonly finger: number | null };

/**
 * True when one finger would have to jump between two notes in a row: the same finger on another fret
 * of the same or the neighbouring string. Such a fingering is never offered.
 */
export const fingerJumps = (a: Fingered, b: Fingered): boolean =>
	a.finger !== null &&
	a.finger === b.finger &&
	a.fret !== b.fret &&
	Math.abs(a.string - b.string) <= 1;

/** True when no finger jumps anywhere in a sequence of notes. */
export const fingersHold = (notes: readonly Fingered[]): boolean =>
	notes.every((note, i) => i === 0 || !fingerJumps(notes[i - 1]!, note));

/** True when a finger rolls from one string to the next: same finger, same fret, neighbouring strings. */
export const rolls = (a: Fingered, b: Fingered): boolean =>
	a.finger !== null &&
	a.finger === b.finger &&
	a.fret === b.fret &&
	Math.abs(a.string - b.string) === 1;
