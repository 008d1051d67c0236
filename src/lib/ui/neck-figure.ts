import type { Role } from '$core/chord';
import type { Place } from '$core/neck';

/** A note of something picked out on the neck: a shape, a pair, a bend, a layout. */
export type FigureNote = Place & {
	/** Which colour; ink for what belongs to neither chord. */
	readonly tense: 'now' | 'next' | 'ink';
	readonly role: Role;
	readonly label: string;
	readonly reach?: boolean;
};

/**
 * Something picked out on the neck. `path` joins its notes in order, `pair` ties two of them, `bend`
 * lifts the first toward a pitch. While it is shown everything else steps back.
 */
export type Figure = {
	readonly kind: 'path' | 'pair' | 'bend';
	readonly notes: readonly FigureNote[];
	/** Semitones of a bend. */
	readonly lift?: number;
	readonly words: string;
};
