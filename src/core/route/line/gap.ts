import { APPROACHES } from './approach';
import {
	type Gap,
	type Inward,
	type Settled,
	advance,
	begin,
	inward,
	pairAt,
	settle,
	settled
} from './layers';
import { GROUPS, KINDS, priceTurns } from './three-costs';
import { threeCost } from './motion';
import { movesBetween } from './moves';
import { FORBIDDEN } from './line-prices';

/** The best way with one class of arrival: a candidate per note. */
export type Way = { readonly cost: number; readonly path: readonly number[] };
/** Triples of neighbouring candidates: what a plain search over the last two notes would weigh. */
export const relaxationsOf = ({ pitch }: Gap): number =>
	pitch
		.slice(2)
		.reduce((sum, layer, i) => sum + pitch[i]!.length * pitch[i + 1]!.length * layer.length, 0);

// Scratch of the one search that runs at a time: nothing in it outlives a call. What settles the pairs of each layer, and
// the least cost of each class of arrival with the pair of notes that it ends on, the ways into two layers in turn; grown
// where a pool is larger than any before.
const known: Settled[] = [];
const least = new Int32Array(APPROACHES.length);
const ends = new Int32Array(APPROACHES.length);
let inwards: [Inward, Inward] = [inward(64), inward(64)];
/** Where one note alone stands between two targets, no three of them come before the end. */
const NONE: Settled = { ...settled(1), again: Int16Array.of(-1) };

/**
 * The cheapest way between two targets for each class of arrival, exactly: dynamic programming whose
 * state is the last two notes. Ties fall to the earliest candidates. Classes that no way has are null.
 * @param level which price of turns, an index into `TURN_EXTRA`; the costs of the ways include it
 */
export function solveGap(gap: Gap, level = 0): (Way | null)[] {
	priceTurns(level);
	const { pitch, own, pairs, arrival, arrivalCost } = gap;
	const n = pitch.length - 2;
	if (n === 0) return APPROACHES.map(() => null);
	const most = Math.max(...pitch.map((layer) => layer.length));
	if (most * GROUPS > inwards[0].cost.length) inwards = [inward(most), inward(most)];
	let [ways, spare] = inwards;
	begin(gap, ways);
	for (let i = 2; i <= n; i++) {
		const notes = pitch[i - 1]!.length;
		let here = known[i];
		if (!here || here.cost.length < notes * KINDS) known[i] = here = settled(notes);
		settle(gap, i, ways, here);
		if (i === n) break;
		advance(gap, i, here, spare);
		[ways, spare] = [spare, ways];
	}
	least.fill(FORBIDDEN);
	ends.fill(-1);
	const target = pitch[n + 1]![0]!;
	const pb = pitch[n - 1]!;
	const pc = pitch[n]!;
	const lastPair = pairs[n + 1]!;
	const [pair, ownLast] = [pairs[n]!, own[n]!];
	const { cost, again, againCost } = n > 1 ? known[n]! : NONE;
	const { kinds } = movesBetween(pb, pc);
	for (let b = 0, state = 0; b < pb.length; b++) {
		for (let c = 0; c < pc.length; c++, state++) {
			const at = n > 1 ? b * KINDS + kinds[state]! : 0;
			const three = pc[c] === again[at] ? againCost[at]! : cost[at]!;
			const base = three + pair[state]! + ownLast[c]! + lastPair[c]!;
			const kind = arrival[state]!;
			if (base >= least[kind]!) continue;
			const total = base + threeCost(pb[b]!, pc[c]!, target) + arrivalCost[kind]!;
			if (total < least[kind]!) {
				least[kind] = total;
				ends[kind] = state;
			}
		}
	}
	return APPROACHES.map((_, kind) => {
		const end = ends[kind]!;
		if (end < 0) return null;
		const path = new Array<number>(n);
		path[n - 1] = end % pc.length;
		let before = Math.floor(end / pc.length);
		for (let i = n; i >= 2; i--) {
			path[i - 2] = before;
			before = beforePair(i, before, pitch[i - 1]![before]!, pitch[i]![path[i - 1]!]!);
		}
		return { cost: least[kind]!, path };
	});
}

/** The note that comes before a pair of layers i − 1 and i. */
function beforePair(i: number, b: number, from: number, to: number): number {
	const pairs = known[i]!;
	const at = pairAt(b, from, to);
	return (to === pairs.again[at] ? pairs.againFrom : pairs.from)[at]!;
}
