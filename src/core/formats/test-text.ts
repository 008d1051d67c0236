import fc from 'fast-check';
import { parseChart } from '../chart';
import { standardGuitar } from '../neck';
import { type TextNote } from './';

export const guitar = standardGuitar();

export const chart = parseChart('key: Bb blues\n| Bb7 | Eb7 | Bb7 | % |');

/** Lines of one note at a time on a grid, with rests; within the chart. */
export const lines = (end: number, unit: number) =>
	fc
		.array(
			fc.record({
				gap: fc.integer({ min: 0, max: 3 }),
				long: fc.integer({ min: 1, max: 5 }),
				string: fc.integer({ min: 1, max: 6 }),
				fret: fc.integer({ min: 0, max: 22 })
			}),
			{ minLength: 1, maxLength: 40 }
		)
		.map((parts) => {
			const notes: TextNote[] = [];
			let tick = 0;
			for (const { gap, long, string, fret } of parts) {
				tick += gap * unit;
				if (tick + long * unit > end) break;
				notes.push({ tick, durationTicks: long * unit, string, fret });
				tick += long * unit;
			}
			return notes;
		})
		.filter((notes) => notes.length > 0);
