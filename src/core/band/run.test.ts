import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import { positionAt } from './position';
import {
	beginRun,
	extendRun,
	runEnd,
	secondsAt,
	ticksAt,
	withJump,
	withLoop,
	withTempo,
	type Run
} from './run';

const chart = parseChart('| C | F | G | C |');
const start = { seconds: 10, tempo: 120, loop: null, countInBars: 0 };
const BAR = 1920;
/** Bars of the chart that a run plays, one entry a bar of time. */
const bars = (run: Run, count: number): (number | 'count')[] =>
	Array.from({ length: count }, (_, i) => {
		const at = positionAt(run, secondsAt(run, i * BAR + 1));
		return at.kind === 'playing' ? at.bar + 1 : 'count';
	});

describe('a run', () => {
	it('goes round the chart for ever, or so many times', () => {
		const run = beginRun(chart, start);
		expect(bars(run, 9)).toEqual([1, 2, 3, 4, 1, 2, 3, 4, 1]);
		expect(runEnd(run)).toBe(Infinity);
		const twice = beginRun(chart, { ...start, rounds: 2 });
		expect(runEnd(twice)).toBe(8 * BAR);
		expect(positionAt(twice, secondsAt(twice, 8 * BAR + 1)).kind).toBe('after');
	});

	it('counts in, in the metre of the bar that follows', () => {
		const waltz = parseChart('time: 3/4\n| C | F |');
		const run = beginRun(waltz, { ...start, countInBars: 2 });
		const counts = Array.from({ length: 7 }, (_, i) => {
			const at = positionAt(run, secondsAt(run, i * 480 + 5));
			return at.kind === 'counting' ? at.count : at.kind;
		});
		expect(counts).toEqual([1, 2, 3, 1, 2, 3, 'playing']);
	});

	it('begins inside its loop and goes round it', () => {
		const run = beginRun(chart, { ...start, loop: { from: 1, to: 3 }, bar: 2 });
		expect(bars(run, 5)).toEqual([3, 2, 3, 2, 3]);
	});

	it('turns seconds into ticks and back', () => {
		const run = withTempo(withTempo(beginRun(chart, start), 700, 90), 2600, 200);
		for (const tick of [0, 300, 700, 701, 2600, 9000]) {
			expect(ticksAt(run, secondsAt(run, tick))).toBeCloseTo(tick, 6);
		}
		expect(positionAt(run, 9)).toEqual({ kind: 'before' });
	});
});

describe('changes while it plays', () => {
	it('another tempo moves no moment that has passed, and no beat jumps', () => {
		fc.assert(
			fc.property(
				fc.array(
					fc.record({
						after: fc.integer({ min: 1, max: 5000 }),
						tempo: fc.integer({ min: 30, max: 300 })
					}),
					{ minLength: 1, maxLength: 8 }
				),
				(changes) => {
					let run = beginRun(chart, start);
					let at = 0;
					for (const { after, tempo } of changes) {
						at += after;
						const before = [0, at / 2, at].map((tick) => secondsAt(run, tick));
						run = withTempo(run, at, tempo);
						const now = [0, at / 2, at].map((tick) => secondsAt(run, tick));
						before.forEach((second, i) => expect(now[i]).toBeCloseTo(second, 9));
						const perTick = secondsAt(run, at + 480) - secondsAt(run, at);
						expect(perTick).toBeCloseTo(60 / tempo, 9);
					}
				}
			)
		);
	});

	it('a new loop round the bar that sounds plays to its end and turns there', () => {
		const run = withLoop(beginRun(chart, start), BAR + 100, { from: 1, to: 3 });
		expect(bars(run, 6)).toEqual([1, 2, 3, 2, 3, 2]);
	});

	it('a new loop elsewhere waits for the end of the bar', () => {
		const run = withLoop(beginRun(chart, start), 100, { from: 2, to: 4 });
		expect(bars(run, 5)).toEqual([1, 3, 4, 3, 4]);
	});

	it('a loop that is let go of plays on to the end of the chart', () => {
		const looping = beginRun(chart, { ...start, loop: { from: 1, to: 3 } });
		const free = withLoop(extendRun(looping, 3 * BAR), 2 * BAR + 50, null);
		expect(bars(free, 7)).toEqual([2, 3, 2, 3, 4, 1, 2]);
	});

	it('during the count-in the new loop is what follows', () => {
		const counting = beginRun(chart, { ...start, countInBars: 1 });
		expect(bars(withLoop(counting, 500, { from: 3, to: 4 }), 4)).toEqual(['count', 4, 4, 4]);
	});

	it('a jump waits for the end of the bar and goes on from there', () => {
		expect(bars(withJump(beginRun(chart, start), 100, 3), 4)).toEqual([1, 4, 1, 2]);
	});

	it('whatever is changed, the run has no gap and keeps what has sounded', () => {
		fc.assert(
			fc.property(
				fc.array(
					fc.record({
						step: fc.integer({ min: 1, max: 6000 }),
						what: fc.constantFrom('loop', 'free', 'jump'),
						from: fc.integer({ min: 0, max: 3 }),
						size: fc.integer({ min: 1, max: 3 })
					}),
					{ maxLength: 8 }
				),
				(changes) => {
					let run = beginRun(chart, start);
					let at = 0;
					for (const { step, what, from, size } of changes) {
						at += step;
						run = extendRun(run, at + 8 * BAR);
						const passed = positionAt(run, secondsAt(run, at / 2));
						if (what === 'loop') run = withLoop(run, at, { from, to: Math.min(4, from + size) });
						else if (what === 'free') run = withLoop(run, at, null);
						else run = withJump(run, at, from);
						expect(positionAt(run, secondsAt(run, at / 2))).toEqual(passed);
						run = extendRun(run, at + 8 * BAR);
						run.segments.forEach((segment, i) => {
							expect(segment.length).toBeGreaterThan(0);
							if (i > 0) {
								const before = run.segments[i - 1];
								expect(segment.at).toBe(before.at + before.length);
							}
						});
					}
				}
			)
		);
	});
});
