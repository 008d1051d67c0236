import { describe, expect, it } from 'vitest';
import { parseChart } from '../../chart';
import { airBars, airChanges } from './talk';

const chart = parseChart('[Head]\n| C | F | G | C |\n[Bridge x2]\n| Am | D | G |');

describe('where to play and where to leave air', () => {
	it('goes round within each section and begins anew with it', () => {
		expect(airBars(chart, [{ section: null, play: 1, air: 1 }])).toEqual([
			false,
			true,
			false,
			true,
			false,
			true,
			false,
			false,
			true,
			false
		]);
	});

	it('is a section’s own where it has an entry', () => {
		const talks = [
			{ section: null, play: 2, air: 2 },
			{ section: 'Bridge', play: 1, air: 0 }
		];
		expect(airBars(chart, talks)).toEqual([
			false,
			false,
			true,
			true,
			...Array.from({ length: 6 }, () => false)
		]);
		expect(airChanges(chart, talks)).toEqual([2, 3]);
	});

	it('takes a pushed change with the bar that it sounds in', () => {
		const pushed = parseChart('| C | <F | G | C |');
		expect(airChanges(pushed, [{ section: null, play: 1, air: 1 }])).toEqual([3]);
	});
});
