import { describe, expect, it } from 'vitest';
import { buildScale, noteVerdict, readOver } from '.';
import { parseChord } from '../chord';
import { above, degreeInterval, parseNote } from '../pitch';

/**
 * Whole scales over chords on C, note by note: h home, c colour, p passing, x clash. Written out by
 * hand from the convention; the third column names the chord that follows.
 */
const TABLE: readonly (readonly [
	scale: string,
	chord: string,
	next: string | null,
	verdicts: string
])[] = [
	// 1 2 3 4 5 6 7
	['C major', 'C', null, 'h c h x h c c'],
	['C major', 'Cmaj7', null, 'h c h x h c h'],
	['C major', 'C6', null, 'h c h x h h c'],
	['C lydian', 'Cmaj7', null, 'h c h c h c h'],
	['C lydian', 'C', null, 'h c h c h c c'],
	['C mixolydian', 'C7', null, 'h c h x h c h'],
	['C mixolydian', 'C7', 'F', 'h c h x h c h'],
	['C mixolydian', 'C9', null, 'h h h x h c h'],
	['C mixolydian', 'C7sus4', null, 'h c p h h c h'],
	['C lydian dominant', 'C7', null, 'h c h c h c h'],
	['C dorian', 'Cm7', null, 'h c h c h c h'],
	['C natural minor', 'Cm7', null, 'h c h c h x h'],
	['C natural minor', 'Cm', null, 'h c h c h x c'],
	['C phrygian', 'Cm7', null, 'h x h c h x h'],
	['C locrian', 'Cm7b5', null, 'h x h c h c h'],
	['C melodic minor', 'Cm(maj7)', null, 'h c h c h c h'],
	['C harmonic minor', 'Cm(maj7)', null, 'h c h c h x h'],
	// A dominant that falls a fifth, or slips a semitone: its tensions are wanted.
	['C altered', 'C7', 'Fm', 'h c c h c c h'],
	['C altered', 'C7', 'B', 'h c c h c c h'],
	['C half-whole diminished', 'C7', 'F', 'h c c h c h c h'],
	['C phrygian dominant', 'C7', 'Fm', 'h c h x h c h'],
	['C phrygian dominant', 'C7', 'Gm', 'h x h x h x h'],
	// 1 b3 4 5 b7
	['C minor pentatonic', 'C7', null, 'h x x h h'],
	['C minor pentatonic', 'Cm7', null, 'h h c h h'],
	['C minor pentatonic', 'C', null, 'h x x h c'],
	['C major pentatonic', 'C', null, 'h c h h c'],
	['C major pentatonic', 'C7', null, 'h c h h c'],
	['C minor blues', 'C7', null, 'h x x p h h'],
	// The scale of the key over the other chords of a blues and of a major key.
	['C minor pentatonic', 'F7', null, 'h h h c x'],
	['C minor pentatonic', 'G7', null, 'x x h h x'],
	['C major', 'F', null, 'h c c h c h c'],
	['C major', 'G7', null, 'x h c h h c h'],
	['C major', 'Am7', null, 'h c h x h h c'],
	['C major', 'Dm7', null, 'h h c h c h c'],
	['C major', 'Em7', null, 'x h h x h c h'],
	['C major', 'Bm7b5', null, 'x h c h c h h']
];

const LETTERS = { home: 'h', colour: 'c', passing: 'p', clash: 'x' } as const;

describe('verdicts of whole scales', () => {
	it.each(TABLE)('%s over %s, then %s: %s', (name, symbol, following, wanted) => {
		const [tonic, ...rest] = name.split(' ');
		const note = parseNote(tonic);
		const scale = note && buildScale(note, rest.join(' '));
		const chord = parseChord(symbol);
		const next = following ? parseChord(following) : null;
		if (!scale || !chord) throw new Error(name);
		const found = scale.notes.map((entry) => LETTERS[noteVerdict(entry.note, chord, next).verdict]);
		expect(found.join(' ')).toBe(wanted);
	});

	it('hang on sounds and roles only: the same in every key', () => {
		for (const [name, symbol, following, wanted] of TABLE) {
			for (const root of ['Db', 'E', 'F#', 'Ab', 'B']) {
				const note = parseNote(root);
				const scale = note && buildScale(note, name.slice(2));
				const shift = (text: string) => {
					const steps = 'C Db D Eb E F Gb G Ab A Bb B'.split(' ');
					const by = { Db: 1, E: 4, 'F#': 6, Ab: 8, B: 11 }[root] ?? 0;
					const own = /^[A-G]b?/.exec(text)?.[0] ?? '';
					return steps[(steps.indexOf(own) + by) % 12] + text.slice(own.length);
				};
				const chord = parseChord(shift(symbol));
				const next = following ? parseChord(shift(following)) : null;
				if (!scale || !chord) throw new Error(name);
				const found = scale.notes.map(
					(entry) => LETTERS[noteVerdict(entry.note, chord, next).verdict]
				);
				// A lowered fifth and a raised fourth are one sound: only its name may turn with the spelling.
				const plain = (text: string) => text.replaceAll('p', 'c');
				expect(plain(found.join(' ')), `${name} on ${root}`).toBe(plain(wanted));
			}
		}
	});
});

describe('the minor third', () => {
	it('is a sharp ninth against a major third alone, a minor third over everything else, in every key', () => {
		for (const root of ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B']) {
			const tonic = parseNote(root);
			const third = tonic && above(tonic, degreeInterval('b3'));
			if (!third) throw new Error(root);
			const over = (suffix: string) => {
				const chord = parseChord(root + suffix);
				if (!chord) throw new Error(suffix);
				const { role, treatment } = noteVerdict(third, chord);
				return { role, read: readOver(third, chord), curl: treatment?.includes('curl') ?? false };
			};
			for (const suffix of ['m', 'm7', 'm6', 'm7b5', 'dim7', '5', 'sus4', '7sus4', 'sus2']) {
				expect(over(suffix), root + suffix).toEqual({ role: 'b3', read: 'b3', curl: false });
			}
			for (const suffix of ['', '7', 'maj7', '6', '9', 'add9']) {
				expect(over(suffix), root + suffix).toEqual({ role: '#9', read: '#9', curl: true });
			}
		}
	});
});
