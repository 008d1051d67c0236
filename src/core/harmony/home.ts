import type { Mode } from '../chord';
import { degreeInterval } from '../pitch';

/** Degrees that count as home in each mode; a blues is at home with both thirds and the flat seventh. */
const HOME: Record<Mode, string> = {
	major: '1 2 3 4 5 6 7',
	minor: '1 2 b3 4 5 b6 b7',
	dorian: '1 2 b3 4 5 6 b7',
	phrygian: '1 b2 b3 4 5 b6 b7',
	lydian: '1 2 3 #4 5 6 7',
	mixolydian: '1 2 3 4 5 6 b7',
	blues: '1 2 b3 3 4 5 6 b7',
	locrian: '1 b2 b3 4 b5 b6 b7'
};

/** The degrees of a mode that count as home. */
export const homeDegrees = (mode: Mode): readonly string[] => HOME[mode].split(' ');

const inSemitones = (mode: Mode): ReadonlySet<number> =>
	new Set(homeDegrees(mode).map((degree) => degreeInterval(degree).semitones));

/** The same in semitones above the tonic. */
export const HOME_SETS: Readonly<Record<Mode, ReadonlySet<number>>> = {
	major: inSemitones('major'),
	minor: inSemitones('minor'),
	dorian: inSemitones('dorian'),
	phrygian: inSemitones('phrygian'),
	lydian: inSemitones('lydian'),
	mixolydian: inSemitones('mixolydian'),
	blues: inSemitones('blues'),
	locrian: inSemitones('locrian')
};
