import type { Chord } from '../../chord';
import { mod, pitchClass } from '../../pitch';
import type { Instrument, Place } from '../instrument';
import type { Form, ShapeNote } from './types';

/** Semitones from each string to the next thicker one in the tunings that have these forms. */
const STANDARD_STEPS = [5, 4, 5, 5, 5];

/** How many strings, from the thinnest, stand as in the standard tuning. */
function familiarStrings(instrument: Instrument): number {
	const { open } = instrument;
	let strings = 1;
	while (
		strings < open.length &&
		strings <= STANDARD_STEPS.length &&
		open[strings - 1]! - open[strings]! === STANDARD_STEPS[strings - 1]
	) {
		strings++;
	}
	return strings;
}

/**
 * Forms by the string of the lowest root and whether index or middle finger (first), or ring or
 * little finger (second) plays it. An octave of neck holds E, D, C, A, G in this order, so each hand
 * position has one.
 */
const FORMS: Record<number, readonly [Form, Form]> = {
	6: ['E', 'G'],
	5: ['A', 'C'],
	4: ['D', 'E'],
	3: ['G', 'A'],
	2: ['C', 'D'],
	1: ['E', 'G']
};

/** Forms belong to major, minor and dominant chords: a third and no fifth but the perfect one. */
const hasForm = ({ quality }: Chord): boolean => {
	const roles: readonly string[] = quality.roles;
	const third = roles.includes('3') || roles.includes('b3');
	return third && !roles.includes('b5') && !roles.includes('#5');
};

/**
 * The movable form that a shape belongs to, read from its lowest root.
 * @returns null in tunings without such forms, for chords without a perfect fifth, without a root.
 */
export function formOf(
	instrument: Instrument,
	chord: Chord,
	root: ShapeNote | undefined
): Form | null {
	const strings = familiarStrings(instrument);
	if (!root || strings < 5 || root.string > strings || root.finger === null) return null;
	if (!hasForm(chord)) return null;
	return FORMS[root.string]?.[root.finger <= 2 ? 0 : 1] ?? null;
}

/** The outline of each form, frets from its bar, string 1 first; and where its root lies on string 1's pitch. */
const OUTLINES: readonly { form: Form; frets: readonly number[]; root: number }[] = [
	{ form: 'E', frets: [0, 0, 1, 2, 2, 0], root: 0 },
	{ form: 'A', frets: [0, 2, 2, 2, 0, 0], root: 5 },
	{ form: 'D', frets: [2, 3, 2, 0, 0, 2], root: 10 },
	{ form: 'G', frets: [3, 0, 0, 0, 2, 3], root: 3 },
	{ form: 'C', frets: [0, 1, 0, 2, 3, 0], root: 8 }
];

/**
 * The form whose outline some places of a chord lie nearest to, string by string.
 * @returns null in tunings without such forms and for chords without a third or a perfect fifth.
 */
export function formOfGrip(
	instrument: Instrument,
	chord: Chord,
	places: readonly Place[]
): Form | null {
	const strings = familiarStrings(instrument);
	if (strings < 5 || places.some(({ string }) => string > strings) || !hasForm(chord)) return null;
	const root = pitchClass(chord.root);
	const far = ({ frets, root: above }: (typeof OUTLINES)[number]): number => {
		const bar = mod(root - instrument.open[0]! - above, 12);
		const off = (octave: number) =>
			places.reduce(
				(sum, { string, fret }) => sum + Math.abs(fret - bar - octave - frets[string - 1]!),
				0
			);
		return Math.min(off(-12), off(0), off(12));
	};
	return [...OUTLINES].sort((a, b) => far(a) - far(b))[0]!.form;
}
