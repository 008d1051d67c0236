import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { QUARTER } from '../kernel';
import { buildInstrument, pitchAt } from '../neck';
import { plainName, spelledPitch } from '../pitch';
import { chart, guitar, lines } from './test-text';
import { readNames, type TextNote, writeNames } from './';

describe('note names', () => {
	const nameOf = (note: TextNote) => {
		const midi = pitchAt(guitar, note);
		return spelledPitch(plainName(midi), midi);
	};

	it('are read as they were written, on the easiest places', () => {
		const end = 4 * 4 * QUARTER;
		fc.assert(
			fc.property(lines(end, 240), (notes) => {
				const read = readNames(writeNames(chart, notes, nameOf), chart, guitar, 5);
				expect(read.problems).toEqual([]);
				expect(read.notes.map((note) => pitchAt(guitar, note))).toEqual(
					notes.map((note) => pitchAt(guitar, note))
				);
				expect(read.notes.map((note) => [note.tick, note.durationTicks])).toEqual(
					notes.map((note) => [note.tick, note.durationTicks])
				);
			})
		);
	});

	it('share the time of their bar; dashes hold, points are silent', () => {
		const read = readNames('| D4 F Ab G | Db - . f |', chart, guitar, 6);
		expect(read.problems).toEqual([]);
		expect(
			read.notes.map((note) => [note.tick, note.durationTicks, pitchAt(guitar, note)])
		).toEqual([
			[0, 480, 62],
			[480, 480, 65],
			[960, 480, 68],
			[1440, 480, 67],
			[1920, 960, 61],
			[3360, 480, 65]
		]);
		expect(read.toBar).toBe(2);
	});

	it('without octaves go to the nearest pitch, and begin near the middle of the place', () => {
		const read = readNames('C E G C5 | B♭ A A♭ G', chart, guitar, 5, 3);
		expect(read.problems).toEqual([]);
		expect(read.notes.map((note) => pitchAt(guitar, note))).toEqual([
			60, 64, 67, 72, 70, 69, 68, 67
		]);
		expect(read.notes[0].tick).toBe(2 * 4 * QUARTER);
	});

	it.each<[string, string, RegExp, number, number]>([
		['a word that is no note', '| D4 H4 |', /“H4” is not a note name/, 1, 6],
		[
			'places that do not share the bar',
			'| D E F G A |\n| D E F |',
			/5 places do not share bar 1/,
			1,
			3
		],
		['a pitch below the guitar', '| D1 |', /D1 is not on this instrument/, 1, 3],
		['more bars than are left', 'D\nD\nD\nD\nD', /Only 4 bars are left/, 5, 1],
		['nothing', ' \n', /no note here/, 1, 1]
	])('tells of %s, and where', (_, text, message, line, column) => {
		const { problems } = readNames(text, chart, guitar, 5);
		expect(problems[0]).toMatchObject({ line, column });
		expect(problems[0].message).toMatch(message);
	});

	it('serve any instrument', () => {
		const bass = buildInstrument('bass');
		if (!bass) throw new Error('no bass');
		const read = readNames('| E1 G1 A1 D2 |', chart, bass, 1);
		expect(read.notes.map(({ string, fret }) => [string, fret])).toEqual([
			[4, 0],
			[4, 3],
			[3, 0],
			[2, 0]
		]);
	});
});
