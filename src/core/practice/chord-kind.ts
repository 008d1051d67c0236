import type { Chord } from '../chord';

/** Kinds of chords that practice tells apart, in the order in which they are shown. */
export const CHORD_KINDS = ['major', 'minor', 'dominant', 'altered', 'diminished', 'open'] as const;
export type ChordKind = (typeof CHORD_KINDS)[number];

export const CHORD_KIND_WORDS: Record<ChordKind, string> = {
	major: 'major',
	minor: 'minor',
	dominant: '7 and 9',
	altered: 'alt and b9',
	diminished: '°7 and m7b5',
	open: 'sus and 5'
};

const ALTERED = new Set(['b9', '#9', 'b13', 'b5', '#5']);

/**
 * The kind of a chord by its tones: half and fully diminished ones together, dominants with any altered
 * fifth or ninth apart from plain ones (a raised eleventh alone does not alter), chords without a third open.
 */
export function chordKind(chord: Chord): ChordKind {
	const roles = new Set(chord.tones.map(({ role }) => role));
	if (roles.has('b3')) return roles.has('b5') ? 'diminished' : 'minor';
	if (!roles.has('3')) return roles.has('b7') ? 'dominant' : 'open';
	if (!roles.has('b7')) return 'major';
	return [...roles].some((role) => ALTERED.has(role)) ? 'altered' : 'dominant';
}
