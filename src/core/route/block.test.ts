import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import { buildInstrument, lastPosition, standardGuitar, windowPlaces } from '../neck';
import { pitchClass } from '../pitch';
import { blockWindows } from './block';
import { handAlong } from './holding';

const ROOTS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];
const guitar = standardGuitar();

describe('a hand that moves with the root', () => {
	it.each([
		['| G7 | F7 |', 3, [3, 1]],
		['| G7 | F7 |', 2, [2, 1]],
		['| G7 | Eb7 |', 3, [3, 6]],
		['| D7 | G7 | A7 |', 12, [12, 17, 7]]
	])('over %s from position %i is in %j', (bars, position, windows) =>
		expect(blockWindows(parseChart(bars), guitar, position)).toEqual(windows)
	);

	it('never goes farther than the nearest place of the root, in every key, place and tuning', () => {
		for (const tuning of ['standard', 'drop-d', 'open-g', 'dadgad', 'all-fourths']) {
			const instrument = buildInstrument(tuning);
			if (!instrument) throw new Error(tuning);
			for (let position = 1; position <= lastPosition(instrument); position++) {
				const start = windowPlaces(instrument, position);
				for (const from of ROOTS) {
					for (const to of ROOTS) {
						const chart = parseChart(`| ${from}7 | ${to}m |`);
						const [home, there] = blockWindows(chart, instrument, position);
						expect(home).toBe(position);
						expect(
							Math.abs(there - position),
							`${tuning} ${from} at ${position} to ${to}`
						).toBeLessThanOrEqual(7);
						const { changes } = chart;
						const [a, b] = changes.map((change) => pitchClass(change.to.chord.root));
						// Where the first root lies under the fingers, the second one does in its own place.
						const under = (pc: number, places: typeof start) =>
							places.some(({ midi, fret }) => midi % 12 === pc && fret > 0);
						if (start.some(({ midi, reach, fret }) => midi % 12 === a && !reach && fret > 0)) {
							expect(under(b, windowPlaces(instrument, there))).toBe(true);
						}
					}
				}
			}
		}
	});

	it('is what a block means for a chart; without one the sections have their places, or the hand rests', () => {
		const chart = parseChart('[A]\n| D7 | G7 |\n[B]\n| A7 |');
		const places = [{ section: 'B', position: 2 }];
		const windows = blockWindows(chart, guitar, 12);
		expect(new Set(windows).size).toBeGreaterThan(1);
		expect(handAlong(chart, guitar, 12, { block: true, places })).toEqual(windows);
		expect(handAlong(chart, guitar, 12, { block: false, places })).toEqual([12, 12, 2]);
		expect(handAlong(chart, guitar, 12, { block: false })).toBeUndefined();
	});
});
