import { notation, type Notation } from './notation';
import { mod, pitchClass, type Note } from './note';

/** A spelled interval: letter steps upward (0 = unison) and its size in semitones. */
export type Interval = { readonly steps: number; readonly semitones: number };

const MAJOR = [0, 2, 4, 5, 7, 9, 11];

/**
 * Reads a degree such as `1`, `b3`, `#11`, `bb7` as an interval above the root.
 * Degrees above 7 keep their octave (`9` is 14 semitones).
 * @example degreeInterval('b3') // { steps: 2, semitones: 3 }
 * @throws RangeError when the text is no degree; degrees come from tables, never from users.
 */
export function degreeInterval(degree: string): Interval {
	const match = /^(bb|b|##|#)?(\d{1,2})$/.exec(degree);
	if (!match || Number(match[2]) < 1) throw new RangeError(`not a degree: ${degree}`);
	const steps = Number(match[2]) - 1;
	const signs = match[1] ?? '';
	const alter = signs.startsWith('b') ? -signs.length : signs.length;
	return { steps, semitones: MAJOR[steps % 7]! + 12 * Math.floor(steps / 7) + alter };
}

/**
 * The note an interval above another, spelled by letter arithmetic: the third of D♭m is F♭.
 * @example above({ letter: 1, alter: -1 }, { steps: 2, semitones: 3 }) // F♭
 */
export function above(note: Note, interval: Interval): Note {
	const letter = mod(note.letter + interval.steps, 7);
	const plain = pitchClass({ letter, alter: 0 });
	const wanted = mod(pitchClass(note) + interval.semitones, 12);
	const alter = mod(wanted - plain + 6, 12) - 6;
	return { letter, alter };
}

/** The interval between two notes, upward, within an octave. */
export function intervalBetween(from: Note, to: Note): Interval {
	const steps = mod(to.letter - from.letter, 7);
	const natural = MAJOR[steps]!;
	const sounding = mod(pitchClass(to) - pitchClass(from), 12);
	return { steps, semitones: natural + mod(sounding - natural + 6, 12) - 6 };
}

/**
 * The degree that a note is over a tonic, counted as in a major scale.
 * @example degreeOver(parseNote('A'), parseNote('C')) // 'b3'
 */
export function degreeOver(tonic: Note, note: Note): Notation {
	const { steps, semitones } = intervalBetween(tonic, note);
	const alter = semitones - MAJOR[steps]!;
	return notation((alter < 0 ? 'b' : '#').repeat(Math.abs(alter)) + String(steps + 1));
}

/** Semitones from one pitch class to another by the shorter way, −5 … 6. */
export const shortestMove = (from: number, to: number): number => {
	const up = mod(to - from, 12);
	return up > 6 ? up - 12 : up;
};
