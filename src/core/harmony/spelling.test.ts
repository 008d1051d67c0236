import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChord, MODES, type Key } from '../chord';
import { above, degreeInterval, noteName, parseNote, pitchClass } from '../pitch';
import { buildScale, nameOver, namedBy, oneSpelling, SCALE_NAMES } from '.';
import { homeDegrees } from './home';
import { runs } from '../test-runs';

const note = (name: string) => {
	const found = parseNote(name);
	if (!found) throw new Error(name);
	return found;
};
const key = (tonic: string, mode: Key['mode']): Key => ({ tonic: note(tonic), mode });
const TONICS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];
const CHORDS = ['', 'm', '7', 'maj7', 'm7b5', 'dim7', '7b9', '7alt', 'sus4'];
const ODD = /^(Fb|Cb|E#|B#|.{3,})$/;

const anything = fc.record({
	midi: fc.integer({ min: 40, max: 88 }),
	toward: fc.option(fc.integer({ min: 40, max: 88 }), { nil: null }),
	tonic: fc.constantFrom(...TONICS),
	mode: fc.constantFrom(...MODES),
	root: fc.constantFrom(...TONICS),
	suffix: fc.constantFrom(...CHORDS),
	scale: fc.constantFrom(...SCALE_NAMES)
});

describe('the name of a note', () => {
	it.each([
		['G', 'major', ['G', 'A', 'B', 'C', 'D', 'E', 'F#']],
		['E', 'blues', ['E', 'F#', 'G', 'G#', 'A', 'B', 'C#', 'D']],
		['Bb', 'blues', ['Bb', 'C', 'Db', 'D', 'Eb', 'F', 'G', 'Ab']],
		['F#', 'minor', ['F#', 'G#', 'A', 'B', 'C#', 'D', 'E']],
		['Eb', 'dorian', ['Eb', 'F', 'Gb', 'Ab', 'Bb', 'C', 'Db']]
	] as const)('of %s %s stays the key’s, wherever the line goes', (tonic, mode, names) => {
		for (const name of names) {
			const midi = 60 + pitchClass(note(name));
			for (const toward of [null, midi - 1, midi + 1, midi + 5]) {
				const by = { chord: null, scale: null, key: key(tonic, mode) };
				expect(nameOver(midi, by, toward)).toBe(name);
			}
		}
	});

	it('is the chord’s, else the scale’s, else the key’s, in every key', () => {
		fc.assert(
			fc.property(anything, ({ midi, toward, tonic, mode, root, suffix, scale }) => {
				const chord = parseChord(root + suffix);
				const inUse = buildScale(note(tonic), scale);
				const home = key(tonic, mode);
				const { name, by } = namedBy(midi, { chord, scale: inUse, key: home }, toward);
				expect(pitchClass(note(name))).toBe(midi % 12);
				const tone = chord?.tones.find(({ pc }) => pc === midi % 12);
				const degree = inUse?.notes.find(({ pc }) => pc === midi % 12);
				if (tone) expect([name, by]).toEqual([tone.name, 'chord']);
				else if (degree) expect([name, by]).toEqual([degree.name, 'scale']);
				else {
					expect(name).not.toMatch(ODD);
					const own = homeDegrees(mode)
						.map((at) => noteName(above(home.tonic, degreeInterval(at))))
						.find((one) => pitchClass(note(one)) === midi % 12);
					if (own && !ODD.test(own)) expect(name).toBe(own);
					else if (toward !== null && toward > midi) expect(name).not.toContain('b');
					else if (toward !== null && toward < midi) expect(name).not.toContain('#');
				}
			}),
			{ numRuns: runs(400) }
		);
	});

	it('takes the signs of the key where nothing else decides', () => {
		const free = (tonic: string, mode: Key['mode'], midi: number) =>
			nameOver(midi, { chord: null, scale: null, key: key(tonic, mode) });
		expect(free('A', 'major', 63)).toBe('D#');
		expect(free('Eb', 'major', 66)).toBe('Gb');
		expect(free('C', 'major', 66)).toBe('F#');
		expect(free('C', 'major', 70)).toBe('Bb');
	});

	it('is one for each pitch within a group', () => {
		const by = { chord: parseChord('A7'), scale: buildScale(note('A'), 'mixolydian'), key: null };
		// D♯ up to E, then D♯ (E♭) down to D, in one beat; then a beat of its own.
		const pitches = [63, 64, 63, 62, 63, 62];
		const named = pitches.map((midi, i) => ({
			...namedBy(midi, by, pitches[i + 1] ?? null),
			midi
		}));
		expect(named.map(({ name }) => name)).toEqual(['D#', 'E', 'Eb', 'D', 'Eb', 'D']);
		expect(oneSpelling(named, (i) => (i < 4 ? 0 : 1))).toEqual(['D#', 'E', 'D#', 'D', 'Eb', 'D']);
		// A tone of the chord keeps its name, and what only a direction named takes it.
		const sure = oneSpelling(
			[
				{ ...namedBy(61, { ...by, chord: null, scale: null }, 60), midi: 61 },
				{ ...namedBy(61, by, null), midi: 61 }
			],
			() => 0
		);
		expect(sure).toEqual(['C#', 'C#']);
	});
});
