import { describe, expect, it } from 'vitest';
import { parseChord, type Chord } from '../chord';
import { plainName } from '../pitch';
import { travel, voicedClasses, voiceLead, VOICING, voicings } from './voicing';

const chord = (symbol: string): Chord => {
	const found = parseChord(symbol);
	if (!found) throw new Error(symbol);
	return found;
};
const classes = (symbol: string) => voicedClasses(chord(symbol)).map((pc) => plainName(pc));

describe('what a voicing holds', () => {
	it.each([
		['C', ['E', 'G', 'C']],
		['Bb7', ['D', 'Ab', 'F', 'Bb']],
		['Dm9', ['F', 'C', 'E', 'A']],
		['G13', ['B', 'F', 'A', 'E']],
		['Am7b5', ['C', 'G', 'Eb', 'A']],
		['Csus4', ['F', 'G', 'C']],
		['Gm6', ['Bb', 'E', 'D', 'G']],
		['A5', ['E', 'A']]
	])('%s', (symbol, wanted) => expect(new Set(classes(symbol))).toEqual(new Set(wanted)));

	it('of an altered dominant is its third, its seventh and a tension', () => {
		const found = classes('G7alt');
		expect(found).toContain('B');
		expect(found).toContain('F');
		expect(found).toContain('Eb');
	});

	it('leaves the note after a slash to the bass', () => {
		expect(classes('Eb/Db')).not.toContain('Db');
	});
});

describe('voicings', () => {
	it('lie on the middle strings, ascend, hold every tone once and nothing muddy', () => {
		for (const symbol of ['C', 'Bb7', 'Dm9', 'G13', 'Emaj7#11', 'Abm6']) {
			const wanted = voicedClasses(chord(symbol));
			const found = voicings(wanted);
			expect(found.length).toBeGreaterThan(2);
			for (const voicing of found) {
				expect([...voicing].sort((a, b) => a - b)).toEqual(voicing);
				expect(new Set(voicing.map((pitch) => pitch % 12))).toEqual(new Set(wanted));
				expect(voicing.length).toBe(wanted.length);
				expect(voicing[0]).toBeGreaterThanOrEqual(VOICING.low);
				expect(voicing[voicing.length - 1]).toBeLessThanOrEqual(VOICING.high);
			}
		}
	});
});

describe('voice leading', () => {
	const symbols = ['Bb7', 'Eb7', 'Edim7', 'Bb7', 'G7alt', 'Cm7', 'F7'];
	const lead = voiceLead(symbols.map(chord));

	it('is the shortest way of all: as exhaustive search over three chords has it', () => {
		const three = ['Dm7', 'G7', 'Cmaj7'].map(chord);
		const pools = three.map((entry) => voicings(voicedClasses(entry)));
		const strange = (voicing: readonly number[]) => {
			const middle = voicing.reduce((sum, pitch) => sum + pitch, 0) / voicing.length;
			const rubs = voicing.filter((pitch, i) => i > 0 && pitch - voicing[i - 1] === 1).length;
			return 0.35 * Math.abs(middle - VOICING.middle) + 3 * rubs;
		};
		const cost = ([a, b, c]: readonly (readonly number[])[]) =>
			strange(a) + strange(b) + strange(c) + travel(a, b) + travel(b, c);
		let least = Infinity;
		for (const a of pools[0]) {
			for (const b of pools[1]) for (const c of pools[2]) least = Math.min(least, cost([a, b, c]));
		}
		expect(cost(voiceLead(three) as number[][])).toBeCloseTo(least, 9);
	});

	it('moves no voice far', () => {
		for (let i = 1; i < lead.length; i++) {
			const [a, b] = [lead[i - 1] ?? [], lead[i] ?? []];
			for (const pitch of b) {
				expect(Math.min(...a.map((other) => Math.abs(other - pitch)))).toBeLessThanOrEqual(4);
			}
		}
	});

	it('keeps a chord that is repeated, and a silence is silent', () => {
		const [a, b, silence, c] = voiceLead([chord('Am7'), chord('Am7'), null, chord('D7')]);
		expect(a).toEqual(b);
		expect(silence).toBeNull();
		expect(c).not.toBeNull();
	});
});
