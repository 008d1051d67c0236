import { describe, expect, it } from 'vitest';
import { swingOf } from '$core/band';
import { parseChart } from '$core/chart';
import { parseChord } from '$core/chord';
import { following, heardChanges, wholeChart } from './play-position';
import { spokenChord, spokenNote } from './speech';

const chart = parseChart('| C | F | G <Am | Am |');
const heard = heardChanges(chart, swingOf('straight'));
const whole = wholeChart(chart);
const BAR = 1920;

describe('what a player follows', () => {
	it('is the chord that sounds, the next one and the beats that are left', () => {
		expect(following(chart, heard, 0, whole)).toEqual({ now: 0, next: 1, beats: 4 });
		expect(following(chart, heard, 481, whole)).toEqual({ now: 0, next: 1, beats: 3 });
		expect(following(chart, heard, BAR - 1, whole)).toEqual({ now: 0, next: 1, beats: 1 });
		expect(following(chart, heard, BAR, whole)).toMatchObject({ now: 1, next: 2 });
	});

	it('counts to a pushed chord where it sounds', () => {
		const at = 2 * BAR + 960 - 240;
		expect(following(chart, heard, at - 1, whole)).toMatchObject({ now: 2, next: 3, beats: 1 });
		expect(following(chart, heard, at, whole)).toMatchObject({ now: 3 });
	});

	it('comes back to the top at the end', () => {
		expect(following(chart, heard, 3 * BAR, whole)).toEqual({ now: 3, next: 0, beats: 4 });
	});

	it('turns round inside a loop: after its end comes what sounds at its start', () => {
		const loop = { from: BAR, to: 2 * BAR + 480 };
		expect(following(chart, heard, 2 * BAR, loop)).toEqual({ now: 2, next: 1, beats: 1 });
		const middle = { from: BAR / 2, to: BAR + 480 };
		expect(following(chart, heard, BAR, middle)).toEqual({ now: 1, next: 0, beats: 1 });
	});

	it('has nothing to wait for where one chord goes round', () => {
		const loop = { from: 0, to: BAR };
		expect(following(chart, heard, 100, loop).next).toBeNull();
	});

	it('is late by the swing where a chord is pushed', () => {
		const swung = heardChanges(chart, swingOf('shuffle'));
		expect(swung[3] - heard[3]).toBeCloseTo(80, 6);
	});
});

describe('chords aloud', () => {
	it.each([
		['Bb7', 'B flat 7'],
		['F#m7b5', 'F sharp minor 7 flat 5'],
		['Ebmaj7', 'E flat major 7'],
		['Edim7', 'E diminished 7'],
		['Db/F', 'D flat over F'],
		['G7alt', 'G 7 altered'],
		['Am', 'A minor']
	])('%s is “%s”', (symbol, words) => {
		const chord = parseChord(symbol);
		expect(chord && spokenChord(chord)).toBe(words);
	});

	it('notes too', () => {
		expect(['Bb', 'F#', 'Dbb', 'A'].map(spokenNote)).toEqual([
			'B flat',
			'F sharp',
			'D double flat',
			'A'
		]);
	});
});
