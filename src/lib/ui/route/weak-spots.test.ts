import { NO_LINE } from '$lib/api/route-schema';
import { parseChart } from '$core/chart';
import { scaleInUse } from '$core/harmony';
import { standardGuitar } from '$core/neck';
import { checkLine, scalesAlong } from '$core/route';
import { describe, expect, it } from 'vitest';
import { cellWords, lineWords } from './line-words';
import { arcAt } from '$lib/draw/strip-geometry';
import { weakSpots } from './weak-spots';

const chart = parseChart('key: Bb blues\n| Bb7 | Eb7 | Bb7 | F7 |');
const check = (...list: [number, number][]) =>
	checkLine({
		chart,
		instrument: standardGuitar(),
		scales: scalesAlong(chart, scaleInUse(chart).scale, 'one'),
		position: 6,
		notes: list.map(([beat, midi]) => ({ tick: 480 * beat, durationTicks: 480, midi }))
	});

describe('the weak spots of a line', () => {
	it('are what does not land and what hangs, in order, with words and a fix', () => {
		// D lands; A♭ over E♭7 is missed at the change and left by a leap; F lands; nothing over F7.
		const found = weakSpots(chart, check([0, 62], [4, 68], [5, 72], [8, 65]), () => false);
		expect(found.map((spot) => [spot.change, spot.where])).toEqual([
			[1, 'bar 2'],
			[1, 'bar 2'],
			[1, 'bar 2'],
			[3, 'bar 4']
		]);
		expect(found[0].text).toMatch(
			/^E♭7 is missed\. Move the A♭ in bar 2, beat 1 down a semitone to G/
		);
		expect(found[0].fix?.toMidi).toBe(67);
		expect(found[1].text).toBe('The A♭ clashes and is left hanging.');
		expect(found[2].text).toBe('The C comes from outside and does not resolve.');
		expect(found[3].text).toBe('F7 is silent.');
	});

	it('leave out what is let pass, and are none without a line', () => {
		const passed = weakSpots(chart, check([0, 62], [4, 63], [8, 62]), (change) => change === 3);
		expect(passed).toEqual([]);
		expect(weakSpots(chart, null, () => false)).toEqual([]);
	});
});

describe('a line in words', () => {
	it('says how the way is filled', () => {
		expect(lineWords(NO_LINE)).toBe('landings alone');
		expect(lineWords({ ...NO_LINE, grid: 'eighth', cell: 'breath' })).toBe(
			'eighths, breathe after landing'
		);
		expect(
			lineWords({
				...NO_LINE,
				grid: 'triplet',
				scalePlan: 'follow',
				roam: { frets: 3, wish: 'climb' }
			})
		).toBe('triplets, steady, follow, the hand moves');
		expect(cellWords('x-x.x-x.')).toBe('x-x.x-x.');
	});
});

describe('the arc under a note', () => {
	it('goes through both ends and bulges between', () => {
		expect(arcAt(0, 100, 200, 80, 20, 0)).toBe(100);
		expect(arcAt(0, 100, 200, 80, 20, 200)).toBe(80);
		expect(arcAt(0, 100, 200, 100, 20, 100)).toBe(80);
	});
});
