import { describe, expect, it } from 'vitest';
import { roleSentence, stepSentence, stringSentence } from './habit-words';

describe('habits in words', () => {
	it('name the roles that are landed on most', () => {
		expect(roleSentence({ roles: [] })).toBe('');
		const roles = [
			{ role: '3', count: 9 },
			{ role: 'b7', count: 5 },
			{ role: 'R', count: 1 }
		] as const;
		expect(roleSentence({ roles })).toBe('Landed on most: the third (3) and seventh (♭7).');
	});

	it('name the commonest steps and those that are left out', () => {
		const steps = [
			{ semitones: 2, count: 10 },
			{ semitones: 1, count: 5 },
			{ semitones: 3, count: 4 },
			{ semitones: 12, count: 1 }
		];
		expect(stepSentence({ steps })).toBe(
			'Steps: whole tones 50 %, semitones 25 %; no major thirds, fourths and fifths.'
		);
		const all = [3, 4, 5, 7].map((semitones) => ({ semitones, count: 5 }));
		expect(stepSentence({ steps: all })).toBe('Steps: minor thirds 25 %, major thirds 25 %.');
		// Nine steps are no habit, and leaps of more than a fifth have no name of their own.
		expect(stepSentence({ steps: [{ semitones: 2, count: 9 }] })).toBe('');
		expect(stepSentence({ steps: [{ semitones: 9, count: 20 }] })).toBe('');
	});

	it('name the strings that are never used', () => {
		expect(stringSentence({ silentStrings: [] })).toBe('');
		expect(stringSentence({ silentStrings: [6] })).toBe('String 6 is never used.');
		expect(stringSentence({ silentStrings: [1, 5, 6] })).toBe('Strings 1, 5 and 6 are never used.');
	});
});
