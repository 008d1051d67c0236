import { describe, expect, it } from 'vitest';
import { keyOf } from '../harmony';
import { noteName } from '../pitch';
import { inKey } from './in-key';

const TUNE = 'title: Kite\nkey: Bb blues\n| Bb7 | Eb7 | F7 |';
const chordsOf = ({ chart }: ReturnType<typeof inKey>) => chart.events.map(({ symbol }) => symbol);

describe('a tune in another key', () => {
	it('stays as it is written without a wish, in its own key, and for what is no note', () => {
		for (const wish of [null, 'Bb', 'H']) {
			expect(inKey(TUNE, wish)).toMatchObject({ text: TUNE, tonic: 'Bb' });
		}
		expect(inKey('', 'C')).toMatchObject({ text: '', tonic: null });
	});
	it('moves by the shorter way, chords, key and all', () => {
		const up = inKey(TUNE, 'C');
		expect(up.tonic).toBe('C');
		expect(chordsOf(up)).toEqual(['C7', 'F7', 'G7']);
		const home = keyOf(up.chart)?.tonic;
		expect(home && noteName(home)).toBe('C');
		expect(up.text).toContain('key: C blues');
		expect(chordsOf(inKey(TUNE, 'G'))).toEqual(['G7', 'C7', 'D7']);
		expect(chordsOf(inKey(inKey(TUNE, 'G').text, 'Bb'))).toEqual(['Bb7', 'Eb7', 'F7']);
	});
});
