import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { APPROACHES } from './approach';
import { relaxationsOf, solveGap } from './gap';
import type { Gap } from './layers';
import { buildGap, type Motion } from './lattice';
import { Pools } from './moments';
import { threeCost } from './motion';
import { rhythmOf } from './rhythm';
import { stretchesOf } from './stretches';
import { CHARTS, inKey, planned, requestFor, STEADY } from '../test-lines';
import { FORBIDDEN } from './line-prices';
import { runs } from '../../test-runs';

/** The least cost for each class of arrival, by trying every way. */
function exhaustive(gap: Gap): number[] {
	const n = gap.pitch.length - 2;
	const least = APPROACHES.map(() => Infinity);
	const pitches: number[] = [gap.pitch[0][0]];
	const visit = (i: number, before: number, second: number, cost: number): void => {
		if (cost >= FORBIDDEN) return;
		const size = gap.pitch[i].length;
		for (let c = 0; c < size; c++) {
			let sum = cost + gap.pairs[i][before * size + c] + (i <= n ? gap.own[i][c] : 0);
			const pitch = gap.pitch[i][c];
			if (i > 1) sum += threeCost(pitches[i - 2], pitches[i - 1], pitch);
			if (i === n + 1) {
				const kind = gap.arrival[second * gap.pitch[n].length + before];
				sum += gap.arrivalCost[kind];
				if (sum < FORBIDDEN) least[kind] = Math.min(least[kind], sum);
				continue;
			}
			pitches[i] = pitch;
			visit(i + 1, c, i === 1 ? 0 : before, sum);
		}
	};
	visit(1, 0, 0, 0);
	return least;
}

/** What a way costs, added up from the tables. */
function costOf(gap: Gap, path: readonly number[], kind: number): number {
	const n = path.length;
	const at = [0, ...path, 0];
	const pitch = at.map((c, i) => gap.pitch[i][c]);
	let cost = gap.arrivalCost[kind];
	for (let i = 1; i <= n + 1; i++) {
		cost += gap.pairs[i][at[i - 1] * gap.pitch[i].length + at[i]];
		if (i <= n) cost += gap.own[i][at[i]];
		if (i > 1) cost += threeCost(pitch[i - 2], pitch[i - 1], pitch[i]);
	}
	return cost;
}

const layer = (min: number) =>
	fc.array(
		fc.record({ pitch: fc.integer({ min: 50, max: 64 }), own: fc.integer({ min: 0, max: 3000 }) }),
		{ minLength: min, maxLength: 5 }
	);

const gaps = fc
	.record({
		layers: fc.array(layer(1), { minLength: 1, maxLength: 5 }),
		ends: fc.tuple(fc.integer({ min: 50, max: 64 }), fc.integer({ min: 50, max: 64 })),
		costs: fc.infiniteStream(
			fc.oneof(
				{ weight: 9, arbitrary: fc.integer({ min: 0, max: 4000 }) },
				{ weight: 1, arbitrary: fc.constant(FORBIDDEN) }
			)
		),
		kinds: fc.infiniteStream(fc.integer({ min: 0, max: APPROACHES.length - 1 }))
	})
	.map(({ layers, ends, costs, kinds }): Gap => {
		const pitch = [
			Int16Array.of(ends[0]),
			...layers.map((entries) => Int16Array.from(entries, (entry) => entry.pitch)),
			Int16Array.of(ends[1])
		];
		const pairs = pitch.map((to, i) =>
			Int32Array.from(
				{ length: i === 0 ? 0 : pitch[i - 1].length * to.length },
				() => costs.next().value
			)
		);
		const n = layers.length;
		const states = pitch[n].length * (n > 1 ? pitch[n - 1].length : 1);
		return {
			pitch,
			own: [
				new Int32Array(1),
				...layers.map((l) => Int32Array.from(l, (entry) => entry.own)),
				new Int32Array(1)
			],
			pairs,
			arrival: Uint8Array.from({ length: states }, () => kinds.next().value),
			arrivalCost: [0, 150, 250, 0, 900, 2000]
		};
	});

describe('the way between two targets', () => {
	it('is the cheapest of all ways for each class of arrival, on any small lattice', () => {
		fc.assert(
			fc.property(gaps, (gap) => {
				const least = exhaustive(gap);
				solveGap(gap).forEach((way, kind) => {
					expect(way?.cost ?? Infinity).toBe(least[kind]);
					if (way) expect(costOf(gap, way.path, kind)).toBe(way.cost);
				});
			}),
			{ numRuns: runs(400) }
		);
	});

	it('is the cheapest through more notes than any pool has had before, and none where none is between', () => {
		const wide = (size: number) => Int16Array.from({ length: size }, (_, i) => 40 + ((i * 7) % 45));
		for (const size of [65, 90]) {
			const pitch = [Int16Array.of(60), wide(size), wide(3), Int16Array.of(64)];
			const numbers = (count: number, by: number) =>
				Int32Array.from({ length: count }, (_, i) => (i * by) % 997);
			const gap: Gap = {
				pitch,
				own: [new Int32Array(1), numbers(size, 31), numbers(3, 17), new Int32Array(1)],
				pairs: [new Int32Array(0), numbers(size, 57), numbers(3 * size, 91), numbers(3, 13)],
				arrival: Uint8Array.from({ length: 3 * size }, (_, i) => i % APPROACHES.length),
				arrivalCost: [0, 150, 250, 0, 900, 2000]
			};
			expect(solveGap(gap).map((way) => way?.cost ?? Infinity)).toEqual(exhaustive(gap));
		}
		const none: Gap = {
			pitch: [Int16Array.of(60), Int16Array.of(64)],
			own: [new Int32Array(1), new Int32Array(1)],
			pairs: [new Int32Array(0), Int32Array.of(5)],
			arrival: new Uint8Array(0),
			arrivalCost: [0, 150, 250, 0, 900, 2000]
		};
		expect(solveGap(none)).toEqual(APPROACHES.map(() => null));
	});

	it('is the cheapest on every real way in quarters, tried out note by note', () => {
		let tried = 0;
		for (const text of [CHARTS.minor, CHARTS.waltz]) {
			const chart = inKey(text, 0);
			const request = requestFor(chart, 'nearest', 5);
			const line = { ...STEADY, grid: 'quarter' as const };
			const { targets } = planned(request, line);
			const pools = new Pools(
				chart,
				request.instrument,
				chart.events.map(() => request.scale),
				{ blend: false, kept: null }
			);
			const taste = { spice: 0.4, seed: 0, strings: 6 };
			const motion: Motion = { msPerTick: 1, direction: null, taste };
			const onsets = rhythmOf(chart, targets, line);
			for (const stretch of stretchesOf({ ...request, line }, targets, onsets, pools, 1)) {
				const gap = buildGap(stretch, motion);
				const least = exhaustive(gap);
				expect(solveGap(gap).map((way) => way?.cost ?? Infinity)).toEqual(least);
				expect(relaxationsOf(gap)).toBeGreaterThan(500);
				tried++;
			}
		}
		expect(tried).toBe(12);
	});
});
