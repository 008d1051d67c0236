import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import { standardGuitar } from '../neck';
import { handStretches } from './hand-along';

const BAR = 1920;
const setting = { chart: parseChart('| A7 | D7 | A7 | E7 |'), instrument: standardGuitar() };
const note = (tick: number, fret: number) => ({ tick, durationTicks: 480, string: 2, fret });

describe('where the hand is along a route', () => {
	it('is as planned, and as own notes lie where they stand', () => {
		const planned = (change: number) => (change < 3 ? 5 : 2);
		expect(handStretches(setting, planned, [], 5)).toEqual([
			{ tick: 0, position: 5, own: false },
			{ tick: 3 * BAR, position: 2, own: false }
		]);
		const ways = [
			{ from: BAR, to: 2 * BAR, notes: [note(BAR, 5), note(BAR + 960, 8)] },
			{ from: 2 * BAR, to: 3 * BAR, notes: [note(2 * BAR, 12), note(2 * BAR + 480, 14)] }
		];
		const found = handStretches(setting, planned, ways, 5);
		expect(found.map(({ tick, own }) => [tick / BAR, own])).toEqual([
			[0, false],
			[1, true],
			[2, true],
			[3, false]
		]);
		expect(found[1].position).toBe(5);
		expect([11, 12]).toContain(found[2].position);
	});

	it('stays as planned where the own way is air', () => {
		const air = [{ from: BAR, to: 2 * BAR, notes: [] }];
		expect(handStretches(setting, () => 7, air, 7)).toEqual([{ tick: 0, position: 7, own: false }]);
	});
});
