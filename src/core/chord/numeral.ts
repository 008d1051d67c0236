import { above, degreeInterval, type Note } from '../pitch';
import { buildChord, normaliseSymbol, type Chord } from './chord';
import { parseQuality, type Quality } from './quality';

/** Modes of a key, as the public API names them. */
export const MODES = [
	'major',
	'minor',
	'dorian',
	'phrygian',
	'lydian',
	'mixolydian',
	'blues',
	'locrian'
] as const;
export type Mode = (typeof MODES)[number];

/** Other words for the same modes. */
const MODE_WORDS: Readonly<Record<string, Mode>> = { ionian: 'major', aeolian: 'minor' };

/** Reads the name of a mode; ionian is major, aeolian minor. Null when it is none. */
export function parseMode(text: string): Mode | null {
	const word = text.trim().toLowerCase();
	return (
		MODES.find((mode) => mode === word) ??
		(Object.hasOwn(MODE_WORDS, word) ? MODE_WORDS[word]! : null)
	);
}

/** Every word that `parseMode` reads. */
export const MODE_NAMES: readonly string[] = [...MODES, ...Object.keys(MODE_WORDS)];

/** Modes with a minor third. */
export const isMinorMode = (mode: Mode): boolean =>
	mode === 'minor' || mode === 'dorian' || mode === 'phrygian' || mode === 'locrian';

/** A key: tonic and mode. */
export type Key = { readonly tonic: Note; readonly mode: Mode };

const NUMERALS = ['I', 'II', 'III', 'IV', 'V', 'VI', 'VII'];
const LOWERED: Partial<Record<Mode, Record<number, string>>> = {
	minor: { 3: 'b3', 6: 'b6', 7: 'b7' },
	dorian: { 3: 'b3', 7: 'b7' },
	phrygian: { 2: 'b2', 3: 'b3', 6: 'b6', 7: 'b7' },
	mixolydian: { 7: 'b7' },
	locrian: { 2: 'b2', 3: 'b3', 5: 'b5', 6: 'b6', 7: 'b7' }
};

/** Degrees that a plain numeral takes lowered in a mode. */
export const LOWERED_PLAIN: Partial<Record<Mode, readonly number[]>> = Object.fromEntries(
	Object.entries(LOWERED).map(([mode, degrees]) => [mode, Object.keys(degrees).map(Number)])
);

/**
 * The degree that a numeral stands on. Plain numerals take the mode's own lowered degree (in A minor
 * VI is F); a flat is counted from the major scale (♭VI is F too, as players write it); a sharp raises a
 * degree that the mode lowers (♯vii in A minor is G♯). A diminished vii in minor is the leading tone.
 */
function degreeOf(signs: string, number: number, mode: Mode, leading: boolean): string {
	const own = LOWERED[mode]?.[number] ?? String(number);
	if (signs === '') return leading && number === 7 ? '7' : own;
	if (signs === '#' && own.startsWith('b')) return String(number);
	return signs + number;
}

const NUMERAL = /^(bb|b|##|#)?(VII|VI|IV|V|III|II|I|vii|vi|iv|v|iii|ii|i)(?![ivIV])/;

/** True when a text begins like a Roman numeral rather than a chord symbol. */
export const looksLikeNumeral = (text: string): boolean => NUMERAL.test(normaliseSymbol(text));

type Parts = { degree: string; quality: Quality; rest: string; minor: boolean };

function readParts(text: string, mode: Mode): Parts | null {
	const match = NUMERAL.exec(text);
	if (!match) return null;
	const [all, signs = '', letters = ''] = match;
	const rest = text.slice(all.length);
	const slash = /\/(?!9)(?=[#bivIV1-7])[^/]*$/.exec(rest);
	const suffix = slash ? rest.slice(0, slash.index) : rest;
	const minor = letters === letters.toLowerCase();
	// Lower case already says minor: `ii7` is m7, `vii°7` and `iiø` keep their own sign.
	const ownThird = /^(?:dim|°|o|ø|m(?!aj)|min|-|sus|aug|\+)/.test(suffix);
	const quality = parseQuality(minor && !ownThird ? `m${suffix}` : suffix);
	if (!quality) return null;
	const number = NUMERALS.indexOf(letters.toUpperCase()) + 1;
	const leading = minor && quality.roles.includes('b5');
	return {
		degree: degreeOf(signs, number, mode, leading),
		quality,
		rest: slash ? slash[0].slice(1) : '',
		minor
	};
}

/**
 * Reads a Roman numeral in a key: `I`, `IV7`, `bVII`, `ii7`, `vii°7`, applied chords (`V7/ii`) and a
 * bass given as a degree (`II/1`).
 * @returns null when the text is no numeral.
 * @example parseNumeral('V7/ii', { tonic: { letter: 6, alter: -1 }, mode: 'major' })?.symbol // 'G7'
 */
export function parseNumeral(text: string, key: Key): Chord | null {
	const parts = readParts(normaliseSymbol(text), key.mode);
	if (!parts) return null;
	if (/^[b#]*[1-7]$/.test(parts.rest)) {
		const bass = above(key.tonic, degreeInterval(parts.rest));
		return buildChord(above(key.tonic, degreeInterval(parts.degree)), parts.quality, bass);
	}
	if (parts.rest === '') {
		return buildChord(above(key.tonic, degreeInterval(parts.degree)), parts.quality, null);
	}
	const goal = readParts(parts.rest, key.mode);
	if (!goal || goal.rest !== '') return null;
	const tonic = above(key.tonic, degreeInterval(goal.degree));
	const applied = readParts(normaliseSymbol(text), goal.minor ? 'minor' : 'major');
	return applied && buildChord(above(tonic, degreeInterval(applied.degree)), applied.quality, null);
}
