import type { Role, Tone } from '../../chord';
import type { Comfort } from '../hand';
import type { Place } from '../instrument';
import type { Notation } from '../../pitch';

/** Movable chord forms, by the open chord whose outline they keep. */
export type Form = 'E' | 'D' | 'C' | 'A' | 'G';

/** A chord tone in a shape. `finger` counts from the shape's `fingerBase`; null on an open string. */
export type ShapeNote = Place & {
	readonly midi: number;
	readonly name: Notation;
	readonly role: Role;
	readonly finger: number | null;
	/** Just outside the four frets of the position. */
	readonly reach: boolean;
};

/** A move of the hand inside a shape. */
export type Shift = {
	/** Index of the last note before it. */
	readonly afterNote: number;
	/** How far the hand moves; positive toward the body. */
	readonly frets: number;
	/** String and finger of the note after it: the finger slides there, or is set down. */
	readonly string: number;
	readonly finger: number;
};

/**
 * One arpeggio shape: notes strictly ascend, no finger jumps. `full`: all that the place holds; `octave`: root
 * to root, the easiest way; `path`: every other way from root to root or to the seventh; `fragment`: a piece
 * on two or three strings; `joined`: over two places or more, a shift of the hand between them.
 */
export type Shape = {
	readonly kind: 'full' | 'octave' | 'path' | 'fragment' | 'joined';
	readonly form: Form | null;
	/** String of the lowest root, null when the shape holds none. */
	readonly rootString: number | null;
	/** The fret that finger 1 is counted from. */
	readonly fingerBase: number;
	readonly notes: readonly ShapeNote[];
	/** One note a string, always on to the next thinner string. */
	readonly sweepable: boolean;
	/** Pairs of note indices where one finger rolls over two strings. */
	readonly rolls: readonly (readonly [number, number])[];
	/** Where the hand moves; only in a `joined` shape. */
	readonly shifts: readonly Shift[];
	/** The widest that one place of the hand asks for. */
	readonly stretchMm: number;
	readonly comfort: Comfort;
};

/** A place with the chord tone that it sounds. */
export type TonePlace = Place & {
	readonly midi: number;
	readonly reach: boolean;
	readonly tone: Tone;
};
