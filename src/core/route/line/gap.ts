import { APPROACHES } from './approach';
import { type Gap, type Inward, advance, begin, inward } from './layers';
import { GROUPS, TABLES, THREE } from './three-costs';
import { threeCost } from './motion';
import { FORBIDDEN } from './weights';

/** The best way with one class of arrival: a candidate per note. */
export type Way = { readonly cost: number; readonly path: readonly number[] };
// Scratch of the one search that runs at a time: nothing in it outlives a call. The ways into
// two layers in turn.
let inwards: [Inward, Inward] = [inward(64), inward(64)];
/** Triples of neighbouring candidates: what a plain search over the last two notes would weigh. */
export const relaxationsOf = ({ pitch }: Gap): number =>
	pitch
		.slice(2)
		.reduce((sum, layer, i) => sum + pitch[i]!.length * pitch[i + 1]!.length * layer.length, 0);

// Costs of the last pairs, and where each pair was reached from, by layer; grown where a pool is larger than any before.
let costs = new Int32Array(1024);
const back: Uint8Array[] = [];

/**
 * The cheapest way between two targets for each class of arrival, exactly: dynamic programming whose
 * state is the last two notes. Ties fall to the earliest candidates. Classes that no way has are null.
 * @param level which price of turns, an index into `TURN_EXTRA`; the costs of the ways include it
 */
export function solveGap(gap: Gap, level = 0): (Way | null)[] {
	THREE.set(TABLES[level]!);
	const { pitch, own, pairs, arrival, arrivalCost } = gap;
	const n = pitch.length - 2;
	if (n === 0) return APPROACHES.map(() => null);
	let [pairsMost, notesMost] = [0, 0];
	for (let i = 1; i < pitch.length; i++) {
		pairsMost = Math.max(pairsMost, pitch[i - 1]!.length * pitch[i]!.length);
		notesMost = Math.max(notesMost, pitch[i]!.length);
	}
	if (pairsMost > costs.length) costs = new Int32Array(pairsMost);
	if (notesMost * GROUPS > inwards[0].cost.length) inwards = [inward(notesMost), inward(notesMost)];
	const cost = costs;
	let [ways, spare] = inwards;
	begin(gap, ways);
	for (let c = 0; c < pitch[1]!.length; c++) {
		cost[c] = Math.min(FORBIDDEN, pairs[1]![c]! + own[1]![c]!);
	}
	for (let i = 2; i <= n; i++) {
		const size = pitch[i - 1]!.length * pitch[i]!.length;
		if (!back[i] || back[i]!.length < size) back[i] = new Uint8Array(size);
		advance(gap, i, ways, spare, cost, back[i]!);
		[ways, spare] = [spare, ways];
	}
	const least = new Array<number>(APPROACHES.length).fill(FORBIDDEN);
	const ends = new Array<number>(APPROACHES.length).fill(-1);
	const target = pitch[n + 1]![0]!;
	const pb = pitch[n - 1]!;
	const pc = pitch[n]!;
	const lastPair = pairs[n + 1]!;
	let state = 0;
	for (let b = 0; b < pb.length; b++) {
		for (let c = 0; c < pc.length; c++, state++) {
			const base = cost[state]! + lastPair[c]!;
			const kind = arrival[state]!;
			if (base >= least[kind]!) continue;
			const total = base + threeCost(pb[b]!, pc[c]!, target) + arrivalCost[kind]!;
			if (total < least[kind]!) {
				least[kind] = total;
				ends[kind] = state;
			}
		}
	}
	return ends.map((end, kind) => {
		if (end < 0) return null;
		const path = new Array<number>(n);
		path[n - 1] = end % pc.length;
		let before = Math.floor(end / pc.length);
		for (let i = n; i >= 2; i--) {
			path[i - 2] = before;
			before = back[i]![path[i - 2]! * pitch[i]!.length + path[i - 1]!]!;
		}
		return { cost: least[kind]!, path };
	});
}
