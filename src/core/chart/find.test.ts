import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	chordSounds,
	findProgression,
	parseChart,
	parseKey,
	readProgression,
	transposeText
} from './index';
import { intervalBetween } from '../pitch';

const FERRY =
	'title: Tin Roof Ferry\nkey: Bb blues\n[Head]\n' +
	'| Bb7 | Eb7 | Bb7 | % |\n| Eb7 | Edim7 | Bb7 | G7alt |\n| Cm7 | F7 | Bb7 G7 | Cm7 F7 |\n';
const chart = parseChart(FERRY);
const key = parseKey('Bb blues');

const tonicOf = (name: string) => {
	const read = parseKey(name);
	if (!read) throw new Error(name);
	return read.tonic;
};

const found = (text: string, in_ = chart) => {
	const wanted = readProgression(text, in_.headers.key);
	const hit = wanted && findProgression(chordSounds(in_.changes), wanted);
	if (!hit) return null;
	const changes = in_.changes.slice(hit.from, hit.to);
	return { bar: changes[0].source, symbols: changes.map(({ to }) => to.symbol) };
};

describe('a progression as it is looked for', () => {
	it('is read however it is parted, typographic or not, in symbols or numerals', () => {
		const symbols = (text: string) => readProgression(text, key)?.map((chord) => chord.symbol);
		for (const text of ['Cm7 F7', 'Cm7, F7', '| Cm7 | F7 |', 'Cm7 - F7', 'Cm7 → F7', 'ii7 V7']) {
			expect(symbols(text), text).toEqual(['Cm7', 'F7']);
		}
		expect(symbols('B♭Δ')).toEqual(['BbΔ']);
		expect(readProgression('ii7 V7', null)).toBeNull();
		for (const text of ['', '|', 'Tin Roof', 'Cm7 ferry', 'H7'])
			expect(symbols(text), text).toBeFalsy();
	});

	it('is found where its chords come one after the other', () => {
		expect(found('Cm7 F7')).toEqual({ bar: 9, symbols: ['Cm7', 'F7'] });
		expect(found('Bb7 G7 Cm7')).toEqual({ bar: 11, symbols: ['Bb7', 'G7', 'Cm7'] });
		expect(found('Bb7 Bb7 Eb7')?.bar).toBe(1);
		expect(found('Eb7 E°7')).toEqual({ bar: 5, symbols: ['Eb7', 'Edim7'] });
		expect(found('V7 I7')?.bar).toBe(10);
		for (const text of ['F7 Cm7', 'F7 Bb7 Eb7', 'Bb', 'Bbmaj7', 'C7'])
			expect(found(text), text).toBeNull();
	});

	it('goes by sound, not by spelling, and tells a bass', () => {
		expect(found('A#7 D#7')?.bar).toBe(1);
		const slash = parseChart('| C | C/G | F |');
		expect(found('C F', slash)).toBeNull();
		expect(found('C/G F', slash)).toEqual({ bar: 2, symbols: ['C/G', 'F'] });
	});

	it('is parted by silence', () => {
		expect(found('C F', parseChart('| C | N.C. | F | C | F |'))?.bar).toBe(4);
		expect(found('F C', parseChart('| N.C. | C | N.C. | F | C | F |'))?.bar).toBe(4);
		expect(found('C F', parseChart('| C | N.C. | F |'))).toBeNull();
	});

	it('is found in every key by its numerals, and by any part of itself', () => {
		const tonics = ['C', 'Db', 'E', 'F#', 'Ab', 'B'].map((name) => tonicOf(name));
		const from = tonicOf('Bb');
		fc.assert(
			fc.property(
				fc.constantFrom(...tonics),
				fc.nat(chart.changes.length - 1),
				fc.integer({ min: 1, max: 4 }),
				(tonic, start, length) => {
					const moved = parseChart(transposeText(FERRY, intervalBetween(from, tonic)));
					expect(found('ii7 V7', moved)?.bar).toBe(9);
					const part = moved.changes.slice(start, start + length).map(({ to }) => to.chord);
					const hit = findProgression(chordSounds(moved.changes), part);
					expect(hit?.from).toBeLessThanOrEqual(start);
				}
			)
		);
	});
});
