import type { Chord } from '../../chord';
import type { Instrument } from '../instrument';
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
		open[strings - 1] - open[strings] === STANDARD_STEPS[strings - 1]
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
