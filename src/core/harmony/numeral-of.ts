import { hasRole, LOWERED_PLAIN, type Chord, type Key } from '../chord';
import {
	intervalBetween,
	mod,
	noteName,
	notation,
	pitchClass,
	type Notation,
	type Note
} from '../pitch';

const NUMERALS = ['I', 'II', 'III', 'IV', 'V', 'VI', 'VII'];
const MAJOR = [0, 2, 4, 5, 7, 9, 11];
/** Degrees as they are named by sound alone. */
const BY_SOUND = ['1', 'b2', '2', 'b3', '3', '4', '#4', '5', 'b6', '6', 'b7', '7'];
/** Spelled degrees that players name another way: a fourth raised twice is nobody's degree. */
const ODD = new Set(['b1', 'b4', '#3', '#7', '#6']);

const isMinor = (chord: Chord): boolean => hasRole(chord, 'b3');
const isDiminished = (chord: Chord): boolean => isMinor(chord) && hasRole(chord, 'b5');

/** The degree of a note above a tonic exactly as it is spelled. */
export function spelledDegree(tonic: Note, note: Note): Notation {
	const { steps, semitones } = intervalBetween(tonic, note);
	const alter = semitones - MAJOR[steps]!;
	return notation((alter < 0 ? 'b'.repeat(-alter) : '#'.repeat(alter)) + (steps + 1));
}

/**
 * The degree of a note above a tonic, counted from the major scale: `1`, `b3`, `#4`. The spelling
 * counts, unless it gives a degree that nobody uses; sharps other than ♯4 belong to diminished chords.
 */
function degreeOf(tonic: Note, note: Note, diminished = false): string {
	const degree = spelledDegree(tonic, note);
	const sharp = degree.startsWith('#') && degree !== '#4' && !diminished;
	if (degree.length > 2 || ODD.has(degree) || sharp) {
		return BY_SOUND[mod(pitchClass(note) - pitchClass(tonic), 12)]!;
	}
	return degree;
}

/** The degree as a numeral: in minor 3, 6 and 7 are the mode's own, everything else counts from major. */
function numeralOfDegree(degree: string, chord: Chord, key: Key): string {
	const number = Number(degree.at(-1));
	const sign = degree.slice(0, -1);
	const letters = NUMERALS[number - 1]!;
	const numeral = isMinor(chord) ? letters.toLowerCase() : letters;
	const own = LOWERED_PLAIN[key.mode]?.includes(number) ?? false;
	// In minor a diminished vii is the leading tone's chord; other natural degrees are raised ones.
	if (!own) return sign + numeral;
	const leading = number === 7 && isDiminished(chord);
	if (sign === 'b') return (key.mode === 'minor' && !leading ? '' : 'b') + numeral;
	return (leading ? '' : '#') + numeral;
}

/** What follows the numeral: lower case already says minor, ø and ° stand for their sevenths. */
function suffixOf(chord: Chord): string {
	const { suffix } = chord.quality;
	if (suffix === 'm7b5') return 'ø7';
	if (suffix.startsWith('dim')) return `°${suffix.slice(3)}`;
	if (suffix === 'aug') return '+';
	return /^m(?!aj)/.test(suffix) ? suffix.slice(1) : suffix;
}

/** The numeral of a degree with the chord's extensions, its bass left out. */
export const numeralOn = (degree: string, chord: Chord, key: Key): Notation =>
	notation(numeralOfDegree(degree, chord, key) + suffixOf(chord));

/**
 * The Roman numeral of a chord in a key, as `parseNumeral` reads it: `I7`, `ii7`, `♯iv°7`, in minor
 * `VI`, `V7`; a slash bass as a degree (`II/1`). ASCII.
 * @example numeralOf(parseChord('Edim7'), { tonic: parseNote('Bb'), mode: 'blues' }) // '#iv°7'
 */
export function numeralOf(chord: Chord, key: Key): Notation {
	const spelled = degreeOf(key.tonic, chord.root, isDiminished(chord));
	// A sharp on a degree that the mode lowers would read as the natural one.
	const raised = spelled.startsWith('#') && LOWERED_PLAIN[key.mode]?.includes(Number(spelled[1]));
	const degree = raised ? degreeOf(key.tonic, chord.root) : spelled;
	const numeral = numeralOn(degree, chord, key);
	if (!chord.bass || noteName(chord.bass) === noteName(chord.root)) return numeral;
	return notation(`${numeral}/${degreeOf(key.tonic, chord.bass)}`);
}
