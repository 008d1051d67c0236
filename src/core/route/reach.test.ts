import { describe, expect, it } from 'vitest';
import {
	comfortOf,
	HANDS,
	lastPosition,
	standardGuitar,
	stretchMm,
	type Instrument
} from '../neck';
import { CHARTS, inKey, planned, requestFor, STEADY } from './test-lines';

const GUITAR = standardGuitar();
const small = { ...GUITAR, hand: { comfortableMm: HANDS.small } };
const long = { ...GUITAR, scaleLengthMm: 864 };

/** Pairs of notes in a row, closer than 400 ms, with a stretch between them that is too far for the hand. */
function tooFar(instrument: Instrument, position: number): number {
	let count = 0;
	for (const text of [CHARTS.major, CHARTS.ladder]) {
		const request = requestFor(inKey(text, 0), 'nearest', position, instrument);
		const { line } = planned(request, { ...STEADY, grid: 'eighth' });
		const msPerTick = 60_000 / (request.chart.headers.tempo * 480);
		line.notes.slice(1).forEach((note, i) => {
			const before = line.notes[i];
			if (before.fret === 0 || note.fret === 0 || (note.tick - before.tick) * msPerTick >= 400)
				return;
			const mm = stretchMm(instrument, before.fret, note.fret);
			if (comfortOf(mm, instrument.hand) === 'far') count++;
		});
	}
	return count;
}

describe('lines keep within the player’s hand', () => {
	it.each([
		['a medium hand on a usual guitar', GUITAR],
		['a small hand', small],
		['long strings', long]
	] as const)('%s is never stretched too far at speed', (_, instrument) => {
		for (let position = 1; position <= lastPosition(instrument); position += 2) {
			expect([position, tooFar(instrument, position)]).toEqual([position, 0]);
		}
	});

	it('so a small hand comes to other lines near the nut, and to the same ones high up', () => {
		const lines = (instrument: Instrument, positions: readonly number[]) =>
			positions.flatMap((position) =>
				Object.values(CHARTS).map((text) =>
					planned(requestFor(inKey(text, 0), 'nearest', position, instrument)).line.notes.map(
						({ string, fret }) => `${string}/${fret}`
					)
				)
			);
		expect(lines(small, [1, 2, 3])).not.toEqual(lines(GUITAR, [1, 2, 3]));
		expect(lines(small, [9, 12])).toEqual(lines(GUITAR, [9, 12]));
	});
});
