import { lastAt } from '../kernel';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { performed } from '../band';
import { chartTicks, parseChart } from '../chart';
import { dueChanges, msOf, roundMs, soundingOf } from './due';
import { FERRY, NETTLE, PYLON, takeOn } from './test-takes';
import { runs } from '../test-runs';

const WALTZ = 'key: G minor\ntime: 3/4\n| Gm6 | {4/4} Am7b5 D7b9 | {6/8} Gm6 | N.C. |';

describe('when changes are due', () => {
	it.each([FERRY, NETTLE, PYLON, WALTZ])('ascend, time after time: %#', (text) => {
		const chart = parseChart(text);
		fc.assert(
			fc.property(
				fc.integer({ min: 30, max: 300 }),
				fc.integer({ min: 1, max: 4 }),
				fc.nat(),
				fc.nat(),
				(tempo, loops, a, b) => {
					const bars = chart.played.length;
					const [from, to] = [a % bars, (b % bars) + 1].sort((x, y) => x - y);
					const range = from < to ? { from, to } : null;
					const timing = takeOn(chart, { tempo, loops, range });
					const round = roundMs(timing);
					const due = dueChanges(timing);
					for (let time = 0; time < loops; time++) {
						const own = due.filter(({ loop }) => loop === time);
						expect(own).toHaveLength(due.length / loops);
					}
					due.forEach(({ dueMs, loop, earlyMs, beatMs }, i) => {
						expect(dueMs).toBeGreaterThanOrEqual(loop * round - 1e-6);
						expect(dueMs).toBeLessThan((loop + 1) * round);
						if (i > 0) expect(dueMs).toBeGreaterThan(due[i - 1].dueMs);
						expect(earlyMs).toBeGreaterThanOrEqual(200);
						expect(beatMs).toBeGreaterThan(0);
					});
				}
			),
			{ numRuns: runs(60) }
		);
	});

	it.each([FERRY, PYLON, WALTZ])('and the chord that sounds at a moment are one: %#', (text) => {
		const chart = parseChart(text);
		const timing = takeOn(chart, { tempo: 97, loops: 2 });
		const sounding = soundingOf(timing);
		for (const { change, dueMs } of dueChanges(timing)) {
			expect(sounding.eventAt(dueMs + 0.01)).toBe(change.to.index);
			if (dueMs > 1) expect(sounding.eventAt(dueMs - 1)).not.toBe(change.to.index);
		}
		const end = 2 * roundMs(timing);
		expect([sounding.eventAt(-1), sounding.eventAt(end + 1)]).toEqual([-1, -1]);
	});

	it('knows bars and what is left of them', () => {
		const timing = takeOn(WALTZ, { tempo: 60 });
		const sounding = soundingOf(timing);
		expect([0, 2999, 3000, 6999, 7000, 9999].map(sounding.barAt)).toEqual([0, 0, 1, 1, 2, 2]);
		const { since, left } = sounding.inBar(4000);
		expect([since, left].map(Math.round)).toEqual([1000, 3000]);
		expect(sounding.inBar(-50)).toEqual({ since: Infinity, left: Infinity });
	});

	it('measures time as the band does', () => {
		const timing = takeOn(FERRY, { tempo: 104 });
		expect(roundMs(timing)).toBeCloseTo(msOf(chartTicks(timing.chart), 104));
		const { tick, loop } = soundingOf(timing).tickAt(msOf(720, 104));
		expect([Math.round(tick), loop]).toEqual([720, 0]);
		// The off-beat eighth of a shuffle is heard two thirds into its beat.
		expect(performed(timing.chart, 240, timing.swing)).toBeCloseTo(320);
	});

	it('finds the last entry that is not greater', () => {
		fc.assert(
			fc.property(fc.array(fc.integer()), fc.integer(), (values, wanted) => {
				const sorted = [...values].sort((a, b) => a - b);
				expect(lastAt(sorted, wanted)).toBe(sorted.findLastIndex((value) => value <= wanted));
			})
		);
	});
});
