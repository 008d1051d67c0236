import type { Role } from '$core/chord';
import type { Place } from '$core/neck';

/** A note of something picked out on the neck. Without any role it is a scale note, drawn as a dash. */
export type FigureNote = Place & {
	/** The role in the sounding chord, in the coming one, or (ink) what a note of neither is heard as. */
	readonly now?: Role;
	readonly next?: Role;
	readonly ink?: Role;
	readonly label: string;
	readonly reach?: boolean;
	readonly finger?: number | null;
};

/**
 * Something picked out on the neck. `path` joins its notes in order, `pair` ties two of them, `bend`
 * lifts the first toward a pitch, `marks` shows them alone. While it is shown everything else steps back.
 */
export type Figure = {
	readonly kind: 'path' | 'pair' | 'bend' | 'marks';
	readonly notes: readonly FigureNote[];
	/** How far a bend lifts, as players say it: ½, 1, 1½. */
	readonly lift?: string;
	readonly words: string;
};
