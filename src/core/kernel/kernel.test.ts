import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	chance,
	clamp,
	countWord,
	draws,
	firstFrom,
	lastAt,
	mean,
	median,
	msOfTicks,
	msPerTick,
	pick,
	QUARTER,
	searchBy,
	share,
	TEMPO,
	tempoWithin
} from '.';

const ascending = fc
	.array(fc.integer({ min: 0, max: 40 }), { maxLength: 30 })
	.map((list) => list.sort((a, b) => a - b));

describe('searching', () => {
	it('finds what a walk through the list finds', () => {
		fc.assert(
			fc.property(ascending, fc.integer({ min: -2, max: 42 }), (list, value) => {
				expect(lastAt(list, value)).toBe(list.findLastIndex((entry) => entry <= value));
				const first = list.findIndex((entry) => entry >= value);
				expect(firstFrom(list, value)).toBe(first === -1 ? list.length : first);
				const notes = list.map((tick) => ({ tick }));
				expect(searchBy((note: { tick: number }) => note.tick).lastAt(notes, value)).toBe(
					lastAt(list, value)
				);
			})
		);
	});
});

describe('statistics', () => {
	it('halve a list by its median and balance it by its mean', () => {
		expect([median([3, 1, 2], null), median([3, 1, 2, 9], null)]).toEqual([2, 2.5]);
		expect([median([], null), mean([], 0)]).toEqual([null, 0]);
		fc.assert(
			fc.property(fc.array(fc.integer({ min: -99, max: 99 }), { minLength: 1 }), (list) => {
				const middle = median(list, NaN);
				const below = list.filter((value) => value < middle).length;
				const above = list.filter((value) => value > middle).length;
				expect(Math.max(below, above)).toBeLessThanOrEqual(list.length / 2);
				const off = list.reduce((sum, value) => sum + value - mean(list, NaN), 0);
				expect(off).toBeCloseTo(0, 6);
			})
		);
	});
});

describe('numbers', () => {
	it('stay between their bounds', () => {
		expect([clamp(-1, 0, 9), clamp(4, 0, 9), clamp(10, 0, 9), clamp(5, 7, 3)]).toEqual([
			0, 4, 9, 3
		]);
		expect([share(1, 4), share(0, 0)]).toEqual([0.25, 0]);
	});

	it('are written as in a sentence', () => {
		expect([0, 1, 12, 13].map(countWord)).toEqual(['no', 'one', 'twelve', '13']);
	});
});

describe('time', () => {
	it('is counted in ticks of a quarter note', () => {
		expect(msOfTicks(QUARTER, 60)).toBeCloseTo(1000, 9);
		expect(msPerTick(120) * QUARTER).toBeCloseTo(500, 9);
		expect([29, 30, 300, 301].map(tempoWithin)).toEqual([
			...[TEMPO.least, TEMPO.least, TEMPO.most, TEMPO.most]
		]);
	});
});

describe('chance', () => {
	it('is the same for the same place, even over many, and inside 0 … 1', () => {
		expect(chance(4, 2)).toBe(chance(4, 2));
		expect(chance(4, 2)).not.toBe(chance(2, 4));
		const tenths = new Array<number>(10).fill(0);
		for (let i = 0; i < 5000; i++) tenths[Math.floor(chance(7, i) * 10)]++;
		for (const count of tenths) expect(Math.abs(count - 500)).toBeLessThan(100);
		const drawn = new Set(Array.from({ length: 200 }, (_, i) => pick(['a', 'b', 'c'], i)));
		expect([...drawn].sort()).toEqual(['a', 'b', 'c']);
	});

	it('goes on in a series that its seed begins', () => {
		const [one, same, other] = [draws(7), draws(7), draws(8)];
		const series = Array.from({ length: 50 }, () => one());
		expect(Array.from({ length: 50 }, () => same())).toEqual(series);
		expect(Array.from({ length: 50 }, () => other())).not.toEqual(series);
		for (const value of series) expect(value >= 0 && value < 1).toBe(true);
	});
});
