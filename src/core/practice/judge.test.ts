import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import { toneAt } from '../chord';
import { dueChanges } from './due';
import { judge } from './judge';
import { FERRY, landEvery, NETTLE, pitchOf, PYLON, takeOn } from './test-takes';
import type { JudgeRequest, PlayedEvent, Result } from './types';
import { runs } from '../test-runs';

/** Nettle Tea at 60: a change every four seconds, a beat every second. */
const slow = (events: PlayedEvent[], rest: Parameters<typeof takeOn>[1] = {}) =>
	judge(takeOn(NETTLE, { tempo: 60, events, ...rest }));
const note = (timeMs: number, midi: number, durationMs = 200): PlayedEvent => ({
	timeMs,
	durationMs,
	midi
});
const results = (judged: ReturnType<typeof judge>): Result[] =>
	judged.changes.map(({ result }) => result);

/** The second change, D at 4000 ms, and its third. */
const THIRD = pitchOf('D', '3');
const WRONG = pitchOf('D', '3') + 1;

describe('one change', () => {
	it.each<[string, PlayedEvent[], Result, number | null]>([
		['on time', [note(4000, THIRD)], 'landed', 0],
		['at the edge of what lands, early', [note(3940, THIRD)], 'landed', -60],
		['at the edge of what lands, late', [note(4060, THIRD)], 'landed', 60],
		['just too early, let go', [note(3930, THIRD, 50)], 'early', -70],
		['an eighth early, let go', [note(3500, THIRD, 300)], 'early', -500],
		['more than an eighth early, let go', [note(3490, THIRD, 300)], 'silent', null],
		['held over from long before', [note(2000, THIRD, 2500)], 'held', -2000],
		['held up to the change, no further', [note(3600, THIRD, 400)], 'early', -400],
		['late', [note(4200, THIRD)], 'late', 200],
		['a beat late', [note(5000, THIRD)], 'late', 1000],
		['more than a beat late', [note(5001, THIRD)], 'silent', null],
		['another note', [note(4000, WRONG)], 'missed', 0],
		['another note, then the right one', [note(4000, WRONG), note(4400, THIRD)], 'late', 400],
		['another note held over', [note(2500, WRONG, 2000)], 'missed', -1500],
		['another note long before, let go', [note(3000, WRONG, 300)], 'silent', null],
		['nothing', [], 'silent', null],
		['struck again while it is held', [note(2000, THIRD, 3000), note(4010, THIRD)], 'landed', 10],
		['held, and another one on top', [note(2000, THIRD, 3000), note(4000, WRONG)], 'held', -2000]
	])('%s', (_, events, result, errorMs) => {
		const judged = slow(events).changes[1];
		expect(judged).toMatchObject({ index: 1, loop: 0, result, errorMs });
		expect(judged.role).toBe(result === 'silent' || result === 'missed' ? null : '3');
		expect(judged.midi === null).toBe(result === 'silent');
	});

	it('takes the nearer of two chord tones', () => {
		const judged = slow([note(3960, pitchOf('D', 'R')), note(4010, THIRD)]);
		expect(judged.changes[1]).toMatchObject({ role: '3', errorMs: 10 });
	});

	it('is always given a fifth of a second to be early, however fast it goes', () => {
		const request = takeOn(NETTLE, { tempo: 300 });
		const [, second] = dueChanges(request);
		const events = [note(second.dueMs - 190, THIRD, 60)];
		expect(judge({ ...request, events }).changes[1].result).toBe('early');
	});
});

describe('a take', () => {
	it('is clean when everything lands', () => {
		const request = takeOn(FERRY);
		const judged = judge({ ...request, events: landEvery(request) });
		expect(judged).toMatchObject({ clean: true, landedShare: 1, medianErrorMs: 0, violations: [] });
		expect(judged.changes).toHaveLength(13);
	});

	it('takes latency off, and tells how it leans', () => {
		const request = takeOn(FERRY, { latencyMs: 80 });
		const events = landEvery(request, () => ({ off: 100 }));
		expect(judge({ ...request, events })).toMatchObject({ landedShare: 1, medianErrorMs: 20 });
		expect(judge({ ...request, latencyMs: 0, events }).landedShare).toBe(0);
	});

	it('is silent without a note', () => {
		const judged = judge(takeOn(FERRY));
		expect(new Set(results(judged))).toEqual(new Set(['silent']));
		expect(judged).toMatchObject({ landedShare: 0, medianErrorMs: null, clean: false });
	});

	it('lets changes pass, and is clean without them', () => {
		const request = takeOn(NETTLE, { rules: { letPass: [1, 3] } });
		const events = landEvery(request).filter((_, i) => i % 2 === 0);
		const judged = judge({ ...request, events });
		expect(results(judged)).toEqual(['landed', 'passed', 'landed', 'passed']);
		expect(judged).toMatchObject({ clean: true, landedShare: 1 });
		expect(judge(takeOn(NETTLE, { rules: { letPass: [0, 1, 2, 3] } })).clean).toBe(true);
	});

	it('goes through several times', () => {
		const request = takeOn(NETTLE, { loops: 3 });
		const events = landEvery(request, (index, loop) =>
			index === 2 && loop === 1 ? { off: 300 } : {}
		);
		const judged = judge({ ...request, events });
		expect(judged.changes.map(({ loop }) => loop)).toEqual([0, 0, 0, 0, 1, 1, 1, 1, 2, 2, 2, 2]);
		expect(judged.changes.filter(({ result }) => result !== 'landed')).toEqual([
			expect.objectContaining({ index: 2, loop: 1, result: 'late', errorMs: 300 })
		]);
		expect(judged.landedShare).toBeCloseTo(11 / 12);
	});

	it('judges a hold over the return to the top', () => {
		const request = takeOn('key: C\n| C | F |', { tempo: 60, loops: 2 });
		const f = pitchOf('C', 'R');
		const events = [note(0, 64, 100), note(4000, f, 5000), note(12_000, 65, 100)];
		expect(results(judge({ ...request, events }))).toEqual(['landed', 'landed', 'held', 'landed']);
	});

	it('unfolds repeats and endings', () => {
		const request = takeOn('key: C\n|: C | 1. F :| 2. G |', { tempo: 60 });
		expect(request.chart.changes.map(({ to }) => to.symbol)).toEqual(['C', 'F', 'C', 'G']);
		expect(judge({ ...request, events: landEvery(request) }).clean).toBe(true);
		expect(dueChanges(request).map(({ dueMs }) => dueMs)).toEqual([0, 4000, 8000, 12_000]);
	});

	it('hears swing where it is played', () => {
		const text = 'key: C\nfeel: shuffle\n| C . . . . F . . |';
		const due = dueChanges(takeOn(text, { tempo: 60 }));
		// The fifth eighth is on the third beat, the sixth one swings to two thirds of it.
		expect(due.map(({ dueMs }) => Math.round(dueMs))).toEqual([0, 2667]);
		const straight = dueChanges(takeOn(text.replace('shuffle', 'straight'), { tempo: 60 }));
		expect(straight.map(({ dueMs }) => dueMs)).toEqual([0, 2500]);
	});

	it('wants a pushed chord when it sounds, not when it is written', () => {
		const request = takeOn(PYLON, { tempo: 60 });
		const pushed = dueChanges(request)[1];
		expect(pushed.dueMs).toBe(24_000 - 500);
		const g = pitchOf('Eb9', '3');
		const at = (timeMs: number) =>
			judge({ ...request, events: [note(timeMs, g)] }).changes[1].result;
		expect(at(23_500)).toBe('landed');
		expect(at(24_000)).toBe('late');
	});

	it('counts the beat of the bar: an eighth in six eight', () => {
		const request = takeOn('key: C\ntime: 6/8\n| C | F |', { tempo: 60 });
		expect(dueChanges(request)[1]).toMatchObject({ dueMs: 3000, beatMs: 500, earlyMs: 500 });
	});

	it('begins a loop with the chord that sounds there', () => {
		const range = { from: 3, to: 5 };
		const request = takeOn(FERRY, { tempo: 60, range, loops: 2 });
		const due = dueChanges(request);
		expect(due.map(({ change, dueMs }) => [change.to.symbol, dueMs])).toEqual([
			['Bb7', 0],
			['Eb7', 4000],
			['Bb7', 8000],
			['Eb7', 12_000]
		]);
		// A chord that is pushed out of the bar after the loop does not sound in it.
		const before = takeOn(PYLON, { range: { from: 4, to: 6 } });
		expect(dueChanges(before).map(({ change }) => change.to.symbol)).toEqual(['F9']);
		const from = takeOn(PYLON, { range: { from: 6, to: 8 } });
		expect(dueChanges(from).map(({ dueMs }) => dueMs)[0]).toBe(0);
	});

	it('leaves silence alone', () => {
		const chart = parseChart('key: C\n| C | N.C. | F |');
		expect(dueChanges(takeOn(chart, { tempo: 60 })).map(({ dueMs }) => dueMs)).toEqual([0, 8000]);
		const rest = takeOn(chart, { tempo: 60, range: { from: 1, to: 3 } });
		expect(dueChanges(rest).map(({ dueMs }) => dueMs)).toEqual([4000]);
	});
});

/** The rule of every result as it is told, without any cleverness. */
function plain(request: JudgeRequest): Result[] {
	const events = request.events;
	const end = (event: PlayedEvent) => event.timeMs + event.durationMs;
	return dueChanges(request).map(({ change, dueMs, earlyMs, beatMs }) => {
		const tones = events.filter(({ midi }) => toneAt(change.to.chord, midi));
		const off = ({ timeMs }: PlayedEvent) => timeMs - dueMs;
		// Told as moments: a difference of two of them may be a hair off just at the bound.
		const soon = ({ timeMs }: PlayedEvent) => timeMs >= dueMs - earlyMs;
		const still = ({ timeMs }: PlayedEvent) => timeMs <= dueMs + beatMs;
		if (tones.some((event) => Math.abs(off(event)) <= request.toleranceMs)) return 'landed';
		if (tones.some((event) => off(event) < 0 && end(event) > dueMs)) return 'held';
		if (tones.some((event) => off(event) < 0 && soon(event))) return 'early';
		if (tones.some((event) => off(event) > 0 && still(event))) return 'late';
		const around = (event: PlayedEvent) => soon(event) && still(event);
		const sounds = (event: PlayedEvent) => off(event) < 0 && end(event) > dueMs;
		return events.some((event) => around(event) || sounds(event)) ? 'missed' : 'silent';
	});
}

describe('any take', () => {
	const event = fc.record({
		timeMs: fc.integer({ min: -1000, max: 40_000 }),
		durationMs: fc.integer({ min: 0, max: 5000 }),
		midi: fc.integer({ min: 40, max: 88 })
	});

	it.each([FERRY, NETTLE, PYLON])('is judged as the rule is told: %#', (text) => {
		const chart = parseChart(text);
		fc.assert(
			fc.property(
				fc.array(event, { maxLength: 40 }),
				fc.integer({ min: 60, max: 240 }),
				fc.integer({ min: 1, max: 3 }),
				(events, tempo, loops) => {
					const request = takeOn(chart, { events, tempo, loops });
					expect(results(judge(request))).toEqual(plain(request));
				}
			),
			{ numRuns: runs(150) }
		);
	});

	it('is judged alike in any order and with any latency', () => {
		const chart = parseChart(FERRY);
		fc.assert(
			fc.property(
				fc.array(event, { maxLength: 30 }),
				fc.integer({ min: 0, max: 300 }),
				(events, latencyMs) => {
					const rules = { notes: 'scale', position: 6, landOn: 'guide-tones' } as const;
					const first = judge(takeOn(chart, { events, rules }));
					const moved = events.map((one) => ({ ...one, timeMs: one.timeMs + latencyMs })).reverse();
					const second = judge(takeOn(chart, { events: moved, latencyMs, rules }));
					expect(second.changes.map(({ result }) => result)).toEqual(results(first));
					expect(second.violations).toHaveLength(first.violations.length);
				}
			),
			{ numRuns: runs(60) }
		);
	});
});
