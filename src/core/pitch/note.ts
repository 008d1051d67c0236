import { notation, type Notation } from './notation';

/** Letters in scale order; a note's `letter` is an index into this string. */
const LETTERS = 'CDEFGAB';
const LETTER_PC = [0, 2, 4, 5, 7, 9, 11];

/**
 * A spelled note without octave.
 * `letter` 0 (C) … 6 (B); `alter` in semitones, sharps positive (a triple flat is −3).
 */
export type Note = { readonly letter: number; readonly alter: number };

/** Pitch class 0 (C) … 11 (B). */
export type PitchClass = number;

export const mod = (n: number, m: number): number => ((n % m) + m) % m;

/** The pitch class that a spelled note sounds. */
export const pitchClass = (note: Note): PitchClass => mod(LETTER_PC[note.letter]! + note.alter, 12);

/**
 * ASCII name: `Bb`, `F#`, `Dbb`, `C##`.
 * @example noteName({ letter: 6, alter: -1 }) // 'Bb'
 */
export const noteName = (note: Note): Notation =>
	notation(LETTERS[note.letter] + (note.alter < 0 ? 'b' : '#').repeat(Math.abs(note.alter)));

/** Replaces typographic accidentals by `b` and `#`; one sign may become two characters. */
export const asciiAccidentals = (text: string): string =>
	text
		.replaceAll('♭', 'b')
		.replaceAll('♯', '#')
		.replaceAll('♮', '')
		.replaceAll('𝄫', 'bb')
		.replaceAll('𝄪', '##');

/**
 * Reads a whole note name, ASCII or typographic, with up to two accidentals of one kind.
 * The letter must be a capital.
 * @returns the note, or null when the text is none.
 * @example parseNote('E♭') // { letter: 2, alter: -1 }
 */
export function parseNote(text: string): Note | null {
	const match = /^([A-G])(bb|b|##|#)?$/.exec(asciiAccidentals(text));
	if (!match) return null;
	const signs = match[2] ?? '';
	return {
		letter: LETTERS.indexOf(match[1]!),
		alter: signs.startsWith('b') ? -signs.length : signs.length
	};
}

/** True when two notes sound the same pitch class, however they are spelled. */
export const sameSound = (a: Note, b: Note): boolean => pitchClass(a) === pitchClass(b);

/**
 * The name of a spelled note without its odd signs: E for F♭, C for B♯, A for B𝄫; every other name stays.
 * Display only.
 * @example simpleName(parseNote('Fb')) // 'E'
 */
export function simpleName(note: Note): Notation {
	const natural = LETTER_PC.indexOf(pitchClass(note));
	if (note.alter !== 0 && natural >= 0) return notation(LETTERS[natural]!);
	return Math.abs(note.alter) < 2 ? noteName(note) : plainName(pitchClass(note));
}

/** The everyday spelling of each pitch class, for notes that no chord or scale names. */
const PLAIN = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];

/** A plain ASCII name for a pitch class or MIDI number: `Eb` for 3, `E` for 4. Display only. */
export const plainName = (pitch: number): Notation => notation(PLAIN[mod(pitch, 12)]!);
