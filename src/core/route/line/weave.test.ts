import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../../test-runs';
import { APPROACHES } from './approach';
import type { Way } from './gap';
import { patternsOf, varyPatterns } from './vary';
import {
	kindsOf,
	joinCost,
	repeatCost,
	sameIntervals,
	turnAtTarget,
	weave,
	type Strand
} from './weave';

/** A strand of some ways, each with its pitches; no ways where it has no notes. */
function strandOf(
	found: readonly (readonly [kind: number, cost: number, pitches: number[]])[],
	set: boolean
): Strand {
	const ways: (Way | null)[] = APPROACHES.map(() => null);
	const pitches: number[][] = [...APPROACHES.map(() => [60, 60]), [60, 62]];
	for (const [kind, cost, notes] of found) {
		ways[kind] = { cost, path: [] };
		pitches[kind] = notes;
	}
	return { ways, kinds: kindsOf(ways), all: ways, pitches, patterns: pitches.map(patternsOf), set };
}

const pitch = fc.integer({ min: 57, max: 63 });
const way = fc.tuple(
	fc.integer({ min: 0, max: APPROACHES.length - 1 }),
	fc.integer({ min: 0, max: 400 }),
	fc.array(pitch, { minLength: 2, maxLength: 7 })
);
const strand = fc
	.tuple(fc.uniqueArray(way, { selector: ([kind]) => kind, maxLength: 5 }), fc.boolean())
	.map(([found, set]) => strandOf(found, set && found.length > 0));

/** What a choice of arrivals costs, told anew. */
function costOf(strands: readonly Strand[], kinds: readonly number[]): number {
	return strands.reduce((sum, { ways, pitches, set }, i) => {
		let cost = sum + (ways[kinds[i]]?.cost ?? 0);
		const before = strands[i - 1]?.pitches[kinds[i - 1]];
		if (before) cost += turnAtTarget(before, pitches[kinds[i]]);
		if (before && !set) cost += sameIntervals(before, pitches[kinds[i]]);
		// The first arrival has none before it, the second one.
		if (i > 0 && !set)
			cost += repeatCost(i > 1 ? kinds[i - 2] : APPROACHES.length, kinds[i - 1], kinds[i]);
		return cost;
	}, 0);
}

/** Every choice of arrivals. */
function* choices(
	strands: readonly Strand[],
	done: readonly number[] = []
): Generator<readonly number[]> {
	if (done.length === strands.length) return yield done;
	for (const kind of strands[done.length].kinds) yield* choices(strands, [...done, kind]);
}

describe('weaving', () => {
	it('costs what the cheapest of all choices costs; the player’s own notes count for nothing', () => {
		fc.assert(
			fc.property(fc.array(strand, { minLength: 1, maxLength: 6 }), (strands) => {
				const least = Math.min(...[...choices(strands)].map((kinds) => costOf(strands, kinds)));
				const woven = weave(strands);
				expect(woven.every((kind, i) => strands[i].kinds.includes(kind))).toBe(true);
				expect(costOf(strands, woven)).toBe(least);
				// Again, with what is remembered.
				expect(weave(strands)).toEqual(woven);
			}),
			{ numRuns: runs(300) }
		);
	});

	it('goes back to a class only where that is cheapest, and to the cheapest of the others else', () => {
		const still = [60, 60];
		const strands = (costs: readonly number[]) => [
			strandOf(
				costs.map((cost, kind) => [kind, cost, still] as const),
				false
			),
			strandOf([[3, 0, still]], false),
			strandOf([[0, 0, still]], false)
		];
		expect(weave(strands([0, 100, 300]))).toEqual([1, 3, 0]);
		expect(weave(strands([0, 300, 100]))).toEqual([2, 3, 0]);
		expect(weave(strands([0, 900, 800]))).toEqual([0, 3, 0]);
	});

	it('knows the price of a join', () => {
		const [a, b] = [
			strandOf([[0, 5, [60, 62, 64]]], false),
			strandOf([[1, 5, [64, 62, 60]]], false)
		];
		expect(joinCost(a, 0, b, 1)).toBe(turnAtTarget([60, 62, 64], [64, 62, 60]));
		expect(joinCost(a, 0, b, 1)).toBeGreaterThan(0);
	});
});

describe('what was heard before', () => {
	const again = [60, 62, 64, 65, 67, 69];
	it('is left for another way that costs little more, unless it is to stay', () => {
		const first = strandOf([[0, 100, again]], false);
		const second = strandOf(
			[
				[0, 100, again],
				[2, 300, [60, 64, 62, 59, 57, 62]],
				[3, 90_000, [60, 59, 57, 55, 54, 52]]
			],
			false
		);
		const kindsFor = (fixed: boolean) =>
			varyPatterns([first, second], [0, 0], (i) => fixed && i === 1).map(({ kind }) => kind);
		expect(kindsFor(false)).toEqual([0, 2]);
		expect(kindsFor(true)).toEqual([0, 0]);
	});

	it('tells intervals of every size and direction apart', () => {
		const codes = new Set<number>();
		for (let size = -63; size <= 63; size++) codes.add(patternsOf([60, 60, 60, 60, 60 + size])[0]);
		for (let size = -63; size <= 63; size++)
			codes.add(patternsOf([60, 60 + size, 60 + size, 60 + size, 60 + size])[0]);
		expect(codes.size).toBe(253);
		expect(patternsOf([60, 62, 64, 65])).toEqual([]);
	});
});
