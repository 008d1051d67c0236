import type { Lattice } from './lattice';
import { WEIGHTS } from './landing-prices';

const { thirdIdentical, backAndForth, turn } = WEIGHTS;

/** Cost of three pitches in a row; must agree with `tripleCosts`. Kept branch-light for the hot loop. */
const triple = (a: number, b: number, c: number): number => {
	const first = b - a;
	const second = c - b;
	if ((first < 0 && second > 0) || (first > 0 && second < 0)) {
		return a === c ? turn + backAndForth : turn;
	}
	return first === 0 && second === 0 ? thirdIdentical : 0;
};

/** Candidates of the step before last, by state; few steps have more than a byte counts. */
type From = Uint8Array | Uint16Array;

type Layer = { readonly cost: Int32Array; readonly from: From };

/** First layer with a state: pairs of the first two steps. */
function firstPairs({ sizes, own, pairs }: Lattice): Int32Array {
	const cost = new Int32Array(sizes[0]! * sizes[1]!);
	for (let a = 0; a < sizes[0]!; a++) {
		for (let b = 0; b < sizes[1]!; b++) {
			cost[a * sizes[1]! + b] = own[0]![a]! + own[1]![b]! + pairs[1]![a * sizes[1]! + b]!;
		}
	}
	return cost;
}

/** No state leads here; far above any cost, far below overflow. */
const NONE = 0x3fffffff;

/**
 * The cheapest ways into one candidate b, by how the pitch came there: from below, from the same
 * pitch, from above. For the sides that a turn may come from, also the cheapest of another pitch:
 * that is all that the next step needs to know, and it is exact. Scratch of the one search that runs at a time:
 * nothing in it outlives a call, and a worker has its own.
 */
const below = { cost: NONE, from: 0, pitch: 0, other: NONE, otherFrom: 0 };
const above = { cost: NONE, from: 0, pitch: 0, other: NONE, otherFrom: 0 };
const level = { cost: NONE, from: 0 };

function note(side: typeof below, cost: number, from: number, pitch: number): void {
	if (cost < side.cost) {
		if (pitch !== side.pitch) {
			side.other = side.cost;
			side.otherFrom = side.from;
		}
		side.cost = cost;
		side.from = from;
		side.pitch = pitch;
	} else if (pitch !== side.pitch && cost < side.other) {
		side.other = cost;
		side.otherFrom = from;
	}
}

/** Groups the ways into candidate b of the step before. */
function gather(before: Int32Array, b: number, nb: number, pa: Int32Array, pitch: number): void {
	below.cost = below.other = above.cost = above.other = level.cost = NONE;
	below.pitch = above.pitch = -1;
	for (let a = 0; a < pa.length; a++) {
		const cost = before[a * nb + b]!;
		if (pa[a]! < pitch) note(below, cost, a, pa[a]!);
		else if (pa[a]! > pitch) note(above, cost, a, pa[a]!);
		else if (cost < level.cost) {
			level.cost = cost;
			level.from = a;
		}
	}
}

/**
 * One step onward: from states (a, b) to states (b, c), remembering the best a. Because the cost of
 * three pitches depends only on the side that a came from, and on whether it is c again, each pair
 * (b, c) is settled by a few comparisons instead of a loop over all a.
 */
function advance(lattice: Lattice, i: number, before: Int32Array): Layer {
	const { sizes, pitches, own, pairs } = lattice;
	const [nb, nc] = [sizes[i - 1]!, sizes[i]!];
	const [pa, pb, pc] = [pitches[i - 2]!, pitches[i - 1]!, pitches[i]!];
	const pair = pairs[i]!;
	const ownCost = own[i]!;
	const cost = new Int32Array(nb * nc);
	const from: From = pa.length > 256 ? new Uint16Array(nb * nc) : new Uint8Array(nb * nc);
	for (let b = 0; b < nb; b++) {
		gather(before, b, nb, pa, pb[b]!);
		for (let c = 0; c < nc; c++) {
			const move = pc[c]! - pb[b]!;
			// The side whose ways in would turn here; the others cost nothing more.
			const back = move > 0 ? above : below;
			const on = move > 0 ? below : above;
			let best = on.cost;
			let bestFrom = on.from;
			const stay = level.cost + (move === 0 ? thirdIdentical : 0);
			if (stay < best) {
				best = stay;
				bestFrom = level.from;
			}
			const again = move !== 0 && back.pitch === pc[c];
			const turned = back.cost + (move === 0 ? 0 : again ? turn + backAndForth : turn);
			if (turned < best) {
				best = turned;
				bestFrom = back.from;
			}
			if (again && back.other + turn < best) {
				best = back.other + turn;
				bestFrom = back.otherFrom;
			}
			cost[b * nc + c] = best + pair[b * nc + c]! + ownCost[c]!;
			from[b * nc + c] = bestFrom;
		}
	}
	return { cost, from };
}

function argMin(costs: Int32Array): number {
	let best = 0;
	for (let i = 1; i < costs.length; i++) if (costs[i]! < costs[best]!) best = i;
	return best;
}

/** A path through the lattice: one candidate index per step, and its exact least cost. */
export type Path = { readonly path: number[]; readonly cost: number };

/**
 * The cheapest path, exactly: dynamic programming whose state is the last two targets, so that
 * turns and repetitions count. Ties fall to the earliest candidate.
 * Time grows with steps × candidates².
 */
export function solve(lattice: Lattice): Path {
	const { sizes, own } = lattice;
	const n = sizes.length;
	if (n === 0) return { path: [], cost: 0 };
	if (n === 1) {
		const best = argMin(own[0]!);
		return { path: [best], cost: own[0]![best]! };
	}
	let cost = firstPairs(lattice);
	const back: From[] = [];
	for (let i = 2; i < n; i++) {
		const layer = advance(lattice, i, cost);
		cost = layer.cost;
		back[i] = layer.from;
	}
	const end = argMin(cost);
	const path = new Array<number>(n);
	path[n - 1] = end % sizes[n - 1]!;
	path[n - 2] = Math.floor(end / sizes[n - 1]!);
	for (let i = n - 1; i >= 2; i--) path[i - 2] = back[i]![path[i - 1]! * sizes[i]! + path[i]!]!;
	return { path, cost: cost[end]! };
}

/** Cheapest way to the end from each state (a, b) of steps i − 1, i, what came before left out. */
function remaining(lattice: Lattice, i: number): Int32Array {
	const { sizes, pitches, own, pairs } = lattice;
	let after = new Int32Array(sizes[sizes.length - 2]! * sizes[sizes.length - 1]!);
	for (let step = sizes.length - 1; step > i; step--) {
		const [na, nb, nc] = [sizes[step - 2]!, sizes[step - 1]!, sizes[step]!];
		const cost = new Int32Array(na * nb);
		for (let a = 0; a < na; a++) {
			for (let b = 0; b < nb; b++) {
				let best = 0x7fffffff;
				for (let c = 0; c < nc; c++) {
					const total =
						triple(pitches[step - 2]![a]!, pitches[step - 1]![b]!, pitches[step]![c]!) +
						pairs[step]![b * nc + c]! +
						own[step]![c]! +
						after[b * nc + c]!;
					if (total < best) best = total;
				}
				cost[a * nb + b] = best;
			}
		}
		after = cost;
	}
	return after;
}

/**
 * For every candidate of one step the cost of the best whole plan that lands on it, exactly: the
 * cheapest way there plus the cheapest way on.
 */
export function costsThrough(lattice: Lattice, step: number): Int32Array {
	const { sizes, own } = lattice;
	if (sizes.length === 1) return own[0]!;
	const i = Math.max(1, step);
	let cost = firstPairs(lattice);
	for (let k = 2; k <= i; k++) cost = advance(lattice, k, cost).cost;
	const rest = remaining(lattice, i);
	const through = new Int32Array(sizes[step]!).fill(0x7fffffff);
	for (let state = 0; state < cost.length; state++) {
		const candidate = step === 0 ? Math.floor(state / sizes[1]!) : state % sizes[i]!;
		through[candidate] = Math.min(through[candidate]!, cost[state]! + rest[state]!);
	}
	return through;
}
