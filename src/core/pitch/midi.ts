import { notation, type Notation } from './notation';
import { parseNote, pitchClass, plainName } from './note';

/** MIDI number: E2 = 40, A4 = 69 = 440 Hz. */
export type Midi = number;

/**
 * Reads a pitch with octave, such as `E2` or `F#3`, as a MIDI number.
 * The octave follows the letter: `Cb4` is 59.
 * @returns null when the text is no pitch.
 * @example parsePitch('E2') // 40
 */
export function parsePitch(text: string): Midi | null {
	const match = /^(.+?)(-?\d)$/.exec(text);
	const note = match && parseNote(match[1]!);
	if (!match || !note) return null;
	const natural = pitchClass({ letter: note.letter, alter: 0 });
	return natural + note.alter + 12 * (Number(match[2]) + 1);
}

/**
 * A spelled name with the octave that its letter stands in.
 * @example spelledPitch('Cb', 59) // 'Cb4'
 */
export function spelledPitch(name: string, midi: Midi): Notation {
	const alter = parseNote(name)?.alter ?? 0;
	return notation(`${name}${Math.floor((midi - alter) / 12) - 1}`);
}

/**
 * The plain name of a MIDI number with its octave.
 * @example pitchName(40) // 'E2'
 */
export const pitchName = (midi: Midi): Notation =>
	notation(`${plainName(midi)}${Math.floor(midi / 12) - 1}`);
