import { looksLikeNumeral, parseChord, parseNumeral, type Chord, type Key } from '../chord';
import { pitchClass } from '../pitch';
import type { Chart } from './types';

/** Signs that part chords in a progression as people write it down; a dash between blanks is one, too. */
const BETWEEN = /->|[|,;→–]/g;

/**
 * Reads a progression: chord symbols, or Roman numerals where a key is known, parted by spaces, commas, bar
 * lines or dashes.
 * @returns null where anything in it is neither
 * @example readProgression('Dm7 | G7', null)?.map((chord) => chord.symbol) // ['Dm7', 'G7']
 */
export function readProgression(text: string, key: Key | null): Chord[] | null {
	const words = text
		.replace(BETWEEN, ' ')
		.split(/\s+/)
		.filter((word) => word !== '' && word !== '-');
	const chords: Chord[] = [];
	for (const word of words) {
		const chord =
			(key && looksLikeNumeral(word) ? parseNumeral(word, key) : null) ?? parseChord(word);
		if (!chord) return null;
		chords.push(chord);
	}
	return chords.length > 0 ? chords : null;
}

/** What of a chord is heard: root, tones over it, bass; C♯7 is D♭7. */
const soundOf = ({ root, quality, bass }: Chord): string =>
	[pitchClass(root), ...quality.roles, '/', ...quality.tensions, bass ? pitchClass(bass) : ''].join(
		' '
	);

/**
 * Finds where a progression is first played in a chart, its chords one after the other, however long each
 * lasts; the loop’s return to the top is not looked over.
 * @returns the written bar (from 1) where it begins, and the chords as they are written there
 */
export function findProgression(
	{ changes }: Chart,
	wanted: readonly Chord[]
): { readonly bar: number; readonly symbols: readonly string[] } | null {
	const sounds = wanted.map(soundOf).filter((sound, i, all) => sound !== all[i - 1]);
	const played = changes.map(({ to }) => soundOf(to.chord));
	for (let i = 0; i + sounds.length <= played.length; i++) {
		if (!sounds.every((sound, k) => played[i + k] === sound)) continue;
		// Silence between two chords parts them.
		const parts = changes.slice(i, i + sounds.length);
		if (parts.slice(1).some(({ from }) => from === null)) continue;
		return { bar: parts[0].source, symbols: parts.map(({ to }) => to.symbol) };
	}
	return null;
}
