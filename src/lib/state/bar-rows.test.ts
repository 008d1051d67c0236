import { describe, expect, it } from 'vitest';
import { parseChart } from '$core/chart';
import { buildScale, type Scale } from '$core/harmony';
import { parseNote } from '$core/pitch';
import { barsLike, handRow, inBars, moveEnd, scaleRow } from './bar-rows';

const BAR = 1920;
const chart = parseChart('key: A\n| A7 | D7 | A7 | % | D7 | E7 |');
type Entry = { bar: number; position: number | null };
const back = (bar: number): Entry => ({ bar, position: null });

describe('rows over the strip', () => {
	const hands = [
		{ tick: 0, position: 5, own: false },
		{ tick: 2 * BAR, position: 9, own: false },
		{ tick: 4 * BAR, position: 9, own: true }
	];

	it('are stretches whose ends can be moved where the player has set them', () => {
		const row = handRow(chart, hands, [{ bar: 3 }]);
		expect(
			row.map(({ value, bar, lastBar, own, ends }) => [value, bar, lastBar, own, ends])
		).toEqual([
			[5, 1, 2, false, 3],
			[9, 3, 4, false, null],
			[9, 5, 6, true, null]
		]);
		// The last stretch of the player's own ends where the chart does, until it is drawn back.
		const [, last] = handRow(chart, hands.slice(0, 2), [{ bar: 3 }]);
		expect(last).toMatchObject({ bar: 3, lastBar: 6, ends: 7 });
	});

	it('move the end of a stretch, over what lies between, and end the last one', () => {
		const entries: Entry[] = [
			{ bar: 3, position: 9 },
			{ bar: 5, position: 12 }
		];
		const first = { bar: 1, ends: 3 };
		expect(moveEnd(chart, entries, first, 2, back)[0]).toEqual({ bar: 2, position: 9 });
		expect(moveEnd(chart, entries, first, 6, back)).toMatchObject([{ bar: 6, position: 9 }]);
		// Never before the stretch begins.
		expect(moveEnd(chart, entries, first, 1, back)[0]).toMatchObject({ bar: 2 });
		const last = { bar: 5, ends: 7 };
		expect(moveEnd(chart, entries, last, 6, back)).toEqual([
			...entries,
			{ bar: 6, position: null }
		]);
		expect(moveEnd(chart, entries, { bar: 3, ends: 5 }, 7, back)).toEqual([entries[0]]);
	});

	it('tell the scale of each stretch, silences with what comes before them', () => {
		const made = (tonic: string, name: string): Scale => {
			const note = parseNote(tonic);
			const scale = note && buildScale(note, name);
			if (!scale) throw new Error(name);
			return scale;
		};
		const silent = parseChart('| N.C. | A7 | N.C. | D7 |');
		const [a, d] = [made('A', 'major pentatonic'), made('D', 'mixolydian')];
		const row = scaleRow(silent, [null, a, null, d], [{ bar: 4 }]);
		expect(
			row.map(({ value, from, to, ends }) => [value.name, from / BAR, to / BAR, ends])
		).toEqual([
			['major pentatonic', 0, 3, 4],
			['mixolydian', 3, 4, null]
		]);
	});

	it('say the same of every bar of a chord, and go back after each', () => {
		expect(barsLike(chart, 2)).toEqual([2, 5]);
		expect(barsLike(chart, 4)).toEqual([1, 3, 4]);
		const said = inBars(
			[{ bar: 4, position: 7 }],
			[2, 5],
			6,
			(bar) => ({ bar, position: 9 }),
			back
		);
		expect(said).toEqual([
			{ bar: 2, position: 9 },
			{ bar: 3, position: null },
			{ bar: 4, position: 7 },
			{ bar: 5, position: 9 },
			{ bar: 6, position: 7 }
		]);
	});
});
