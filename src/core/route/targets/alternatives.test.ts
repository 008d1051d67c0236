import { must } from '../../test-must';
import { describe, expect, it } from 'vitest';
import { inWindow, lastPosition, standardGuitar } from '../../neck';
import { parseChart } from '../../chart';
import { CHARTS, inKey, requestFor, STEADY } from '../test-lines';
import { phrasesOf } from '../phrases';
import { placeHand, planAlternatives, planTargets, settle } from '../plan';
import { planWhole } from '../plan-lines';
import { STYLES, type Target } from '../types';
import { differentPaths, enoughDifferent } from './alternatives';
import type { OpenRequest, Roam } from './candidates';
import type { Lattice } from './lattice';

const differs = (a: readonly Target[], b: readonly Target[]) =>
	a.filter((target, i) => target.midi !== b[i].midi).length;

describe('alternatives', () => {
	it('are truly different from each other, cheapest first, and led by the best', () => {
		for (const style of ['guide-tones', 'nearest', 'arpeggio'] as const) {
			const request = requestFor(inKey(CHARTS.blues, 0), style, 6);
			const plans = planAlternatives(request, 5);
			expect(plans).toHaveLength(5);
			expect(plans[0].targets).toEqual(planTargets(request).targets);
			plans.forEach((plan, i) => {
				if (i > 0) expect(plan.cost).toBeGreaterThanOrEqual(plans[i - 1].cost);
				for (const other of plans.slice(0, i)) {
					expect(differs(plan.targets, other.targets)).toBeGreaterThanOrEqual(
						enoughDifferent(plan.targets.length)
					);
				}
			});
		}
	});

	it('come as near as can be to the cheapest that differ enough, on small charts', () => {
		const lattice: Lattice = {
			sizes: [3, 3, 3],
			pitches: [Int32Array.of(60, 64, 67), Int32Array.of(60, 65, 69), Int32Array.of(59, 62, 67)],
			own: [Int32Array.of(0, 200, 900), Int32Array.of(100, 0, 700), Int32Array.of(0, 300, 800)],
			pairs: [new Int32Array(0), new Int32Array(9), new Int32Array(9)]
		};
		const [best, second] = differentPaths(lattice, 2);
		const changed = best.filter((c, i) => lattice.pitches[i][c] !== lattice.pitches[i][second[i]]);
		expect(changed.length).toBeGreaterThanOrEqual(2);
		expect(enoughDifferent(13)).toBe(4);
		expect(enoughDifferent(3)).toBe(2);
	});

	it('keep locks, and say when there are fewer', () => {
		const chart = parseChart('key: C\n| C | F |');
		const request = {
			...requestFor(chart, 'roots', 1),
			locks: [{ change: 0, string: 5, fret: 3 }]
		};
		const plans = planWhole(request, STEADY, 4);
		expect(plans.length).toBeLessThan(4);
		expect(plans[0].plan.warnings.at(-1)?.message).toMatch(
			/^Only \d of 4 plans are truly different/
		);
		for (const { plan } of plans) expect(plan.targets[0]).toMatchObject({ string: 5, fret: 3 });
	});

	it('with lines are ordered by the cost of the whole', () => {
		const plans = planWhole(requestFor(inKey(CHARTS.minor, 0), 'nearest', 5), STEADY, 3);
		expect(plans).toHaveLength(3);
		expect(plans.map((plan) => plan.cost)).toEqual(
			plans.map((plan) => plan.cost).sort((a, b) => a - b)
		);
	});
});

describe('a hand that may move', () => {
	const LONG = `key: Bb blues\n[A]\n| Bb7 | Eb7 | Bb7 | Bb7 |\n[B]\n| Eb7 | Edim7 | Bb7 | G7alt |\n[C]\n| Cm7 | F7 | Bb7 | F7 |`;
	const chart = parseChart(LONG);
	const open = (roam: Roam, over: Partial<OpenRequest> = {}): OpenRequest => {
		const { scale } = requestFor(chart, 'nearest', 5);
		const none = { locks: [], forbid: [], letPass: [] };
		return {
			chart,
			instrument: standardGuitar(),
			scale,
			position: roam,
			style: 'nearest',
			...none,
			...over
		};
	};
	const walkOf = (roam: Roam, over: Partial<OpenRequest> = {}) => {
		const placed = must(placeHand(open(roam, over)));
		return { request: placed, plan: planTargets(placed) };
	};

	it('phrases are four bars of a section at most', () => {
		expect(phrasesOf(chart).map((phrase) => phrase[0].bar)).toEqual([1, 5, 9]);
		const long = parseChart('key: C\n| C | F | C | F | C | F |');
		expect(phrasesOf(long).map((phrase) => phrase.length)).toEqual([4, 2]);
		const short = parseChart('key: C\n[A]\n| C | F |\n[B]\n| G | C | F | G | C |\n[C]\n| F |');
		expect(phrasesOf(short).map((phrase) => phrase.length)).toEqual([2, 4, 1, 1]);
	});

	it('climbs, descends or stays as the player wishes, never further than allowed', () => {
		const steps = (wish: Roam['wish']) => {
			const { windows } = walkOf({ roam: 4, wish }).plan;
			return windows.slice(1).map((window, i) => window.position - windows[i].position);
		};
		for (const wish of ['climb', 'descend', 'stay'] as const) {
			for (const step of steps(wish)) expect(Math.abs(step)).toBeLessThanOrEqual(4);
		}
		expect(steps('climb').every((step) => step > 0)).toBe(true);
		expect(steps('climb')).toHaveLength(2);
		expect(steps('descend').every((step) => step < 0)).toBe(true);
		expect(steps('stay')).toEqual([]);
	});

	it('lands in the window of each change and leaves time to shift', () => {
		const { request } = walkOf({ roam: 5, wish: 'climb' });
		const [whole] = planWhole(request, STEADY);
		for (const target of whole.plan.targets) {
			expect(inWindow(request.instrument, request.windows?.[target.change] ?? 0, target)).toBe(
				true
			);
		}
		for (const { change } of whole.plan.windows.slice(1)) {
			const { tick } = chart.changes[change];
			const last = whole.notes.filter((note) => note.tick < tick).at(-1);
			expect(tick - (last?.tick ?? 0)).toBeGreaterThanOrEqual(336);
		}
	});

	it('moves a mirrored cell with the roots', () => {
		const { plan } = walkOf({ roam: 12 }, { style: 'mirror' });
		const at = (change: number) =>
			plan.windows.filter((window) => window.change <= change).at(-1)?.position ?? 0;
		// B♭ to E♭: five frets on, or seven back.
		expect([5, -7]).toContain(at(1) - at(0));
		const frets = plan.targets.map((target) => target.fret - at(target.change));
		const strings = new Set(plan.targets.slice(0, 2).map((target) => target.string));
		expect(frets[0]).toBe(frets[1]);
		expect(strings.size).toBe(1);
	});

	it('goes where the locks are, or says that it cannot', () => {
		const locks = [
			{ change: 0, string: 6, fret: 6 },
			{ change: 3, string: 6, fret: 11 }
		];
		const { plan } = walkOf({ roam: 6 }, { locks });
		for (const lock of locks) {
			expect(plan.targets.find((target) => target.change === lock.change)).toMatchObject(lock);
		}
		expect(
			placeHand(open({ roam: 0 }, { locks: [locks[0], { change: 3, string: 6, fret: 18 }] }))
		).toMatchObject({
			error: [{ path: ['position'] }]
		});
		const apart = [locks[0], { change: 6, string: 1, fret: 19 }];
		expect(placeHand(open({ roam: 1 }, { locks: apart }))).toMatchObject({
			error: [
				{ path: ['position'], message: 'No walk along the neck reaches all the locked places.' }
			]
		});
	});

	it('exists for every style', () => {
		for (const style of STYLES) {
			const { plan } = walkOf({ roam: 3 }, { style });
			expect(plan.targets.length).toBe(chart.changes.length);
			expect(
				plan.windows.every((w) => w.position >= 1 && w.position <= lastPosition(standardGuitar()))
			).toBe(true);
		}
		expect(settle(requestFor(chart, 'mirror', 3)).mirrored).toBeDefined();
	});
});
