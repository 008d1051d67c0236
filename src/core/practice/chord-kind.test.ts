import { describe, expect, it } from 'vitest';
import { parseChord } from '../chord';
import { chordKind } from './chord-kind';

describe('kinds of chords', () => {
	it.each([
		['Db', 'major'],
		['Abmaj7', 'major'],
		['C6/9', 'major'],
		['Gm6', 'minor'],
		['Bbm7/Db', 'minor'],
		['F9', 'dominant'],
		['C7#11', 'dominant'],
		['G7sus4', 'dominant'],
		['G7alt', 'altered'],
		['D7b9', 'altered'],
		['F7#9', 'altered'],
		['Edim7', 'diminished'],
		['Am7b5', 'diminished'],
		['C5', 'open'],
		['Dsus2', 'open']
	])('%s is %s', (symbol, kind) => {
		const chord = parseChord(symbol);
		expect(chord && chordKind(chord)).toBe(kind);
	});
});
