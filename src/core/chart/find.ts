import { looksLikeNumeral, parseChord, parseNumeral, type Chord, type Key } from '../chord';
import { pitchClass } from '../pitch';
import type { Change } from './types';

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

const MARK = '|';
/** Stands before a chord that follows a silence: nothing leads over it. */
const SILENCE = `${MARK}-`;

/**
 * The changes of a chart as a text that can be searched: `|sound|sound…|`, a dash where silence parts them.
 * The loop’s return to the top is not in it.
 */
export const chordSounds = (changes: readonly Pick<Change, 'from' | 'to'>[]): string =>
	changes
		.map(({ from, to }, i) => `${from === null && i > 0 ? SILENCE : ''}${MARK}${soundOf(to.chord)}`)
		.join('') + MARK;

/**
 * Finds where a progression is first played, its chords one after the other, however long each lasts.
 * @param sounds what `chordSounds` made of the chart
 * @returns the indices of the changes from the first to after the last; null where it is not played
 */
export function findProgression(
	sounds: string,
	wanted: readonly Chord[]
): { readonly from: number; readonly to: number } | null {
	const once = wanted.map(soundOf).filter((sound, i, all) => sound !== all[i - 1]);
	const at = sounds.indexOf(MARK + once.join(MARK) + MARK);
	if (at < 0) return null;
	const before = sounds.slice(0, at).replaceAll(SILENCE, '');
	const from = before.split(MARK).length - 1;
	return { from, to: from + once.length };
}
