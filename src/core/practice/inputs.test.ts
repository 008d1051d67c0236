import { describe, expect, it } from 'vitest';
import { alignTake } from './align';
import { bleeds, latencyOf } from './calibrate';
import { FERRY, landEvery, takeOn } from './test-takes';

const CLICKS = Array.from({ length: 8 }, (_, i) => 1000 + 667 * i);

describe('the latency of an input', () => {
	it('is the middle of what was played after the clicks', () => {
		const strikes = CLICKS.map((click, i) => click + 62 + [3, -4, 0, 8, -7, 2, -1, 5][i]);
		expect(latencyOf(CLICKS, strikes)).toMatchObject({ offsetMs: 63, heard: 8 });
	});

	it('bears a wrong stroke, a missing one, and others in between', () => {
		const strikes = CLICKS.slice(2).flatMap((click) => [click + 40, click + 340]);
		strikes[0] += 200;
		expect(latencyOf(CLICKS, strikes)?.offsetMs).toBe(40);
	});

	it('is not believed where too little was heard, or all over the place', () => {
		expect(latencyOf(CLICKS, [])).toBeNull();
		expect(latencyOf(CLICKS, CLICKS.slice(0, 4))).toBeNull();
		const wild = CLICKS.map((click, i) => click + [-200, 180, -90, 240, 10, -260, 130, -30][i]);
		expect(latencyOf(CLICKS, wild)).toBeNull();
		// Half of the strokes further than 45 ms from their middle is too much, half of them nearer is not.
		const swaying = (ms: number) => CLICKS.map((click, i) => click + 60 + (i % 2 === 0 ? ms : -ms));
		expect(latencyOf(CLICKS, swaying(44))).toMatchObject({ offsetMs: 60, spreadMs: 44 });
		expect(latencyOf(CLICKS, swaying(46))).toBeNull();
	});

	it('tells when the speakers are heard', () => {
		expect(bleeds(CLICKS.slice(0, 4), [])).toBe(false);
		expect(bleeds(CLICKS.slice(0, 4), [1012])).toBe(false);
		expect(bleeds(CLICKS.slice(0, 4), [1030, 1700, 2365])).toBe(true);
		expect(bleeds(CLICKS.slice(0, 4), [700, 1400, 2200])).toBe(false);
	});
});

describe('a recording of a take', () => {
	it.each([0, 340, 4615, 9000])('finds its first beat %d ms in', (lead) => {
		const request = takeOn(FERRY);
		const played = landEvery(request, (index) => ({ off: (index % 3) * 8 - 8 }));
		const events = played.map((event) => ({ ...event, timeMs: event.timeMs + lead }));
		expect(Math.abs(alignTake({ ...request, events }) - lead)).toBeLessThan(12);
	});

	it('bears notes of the count-in and a missed first change', () => {
		const request = takeOn(FERRY);
		const lead = 2300;
		const events = [
			{ timeMs: 200, durationMs: 80, midi: 45 },
			...landEvery(request)
				.slice(1)
				.map((event) => ({ ...event, timeMs: event.timeMs + lead }))
		];
		expect(Math.abs(alignTake({ ...request, events }) - lead)).toBeLessThan(12);
		expect(alignTake(request)).toBe(0);
	});
});
