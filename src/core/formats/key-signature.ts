import type { Key, Mode } from '../chord';

/** Fifths from C of the naturals C, D, E, F, G, A, B. */
const NATURAL_FIFTHS = [0, 2, 4, -1, 1, 3, 5];

/** How far a mode's signature lies from that of the major key on its tonic; a blues is written as major. */
const MODE_SHIFT: Readonly<Record<Mode, number>> = {
	lydian: 1,
	major: 0,
	blues: 0,
	mixolydian: -1,
	dorian: -2,
	minor: -3,
	phrygian: -4,
	locrian: -5
};

/**
 * Sharps (positive) or flats of the signature that a key is written with, −7 … 7; a key that needs more
 * is written enharmonically.
 */
export function fifthsOf(key: Key): number {
	const sum = NATURAL_FIFTHS[key.tonic.letter]! + 7 * key.tonic.alter + MODE_SHIFT[key.mode];
	return sum > 7 ? sum - 12 : sum < -7 ? sum + 12 : sum;
}

/** The key of a signature in a mode; null for a signature that is none. */
export function keyOfFifths(fifths: number, mode: Mode): Key | null {
	if (!Number.isInteger(fifths) || Math.abs(fifths) > 7) return null;
	const sum = fifths - MODE_SHIFT[mode];
	for (const alter of [0, -1, 1, -2, 2]) {
		const letter = NATURAL_FIFTHS.indexOf(sum - 7 * alter);
		if (letter >= 0) return { tonic: { letter, alter }, mode };
	}
	return null;
}
