import type { Lattice } from './lattice';
import { WEIGHTS } from './weights';

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

type Layer = { readonly cost: Int32Array; readonly from: Uint8Array };

/** First layer with a state: pairs of the first two steps. */
function firstPairs({ sizes, own, pairs }: Lattice): Int32Array {
	const cost = new Int32Array(sizes[0] * sizes[1]);
	for (let a = 0; a < sizes[0]; a++) {
		for (let b = 0; b < sizes[1]; b++) {
			cost[a * sizes[1] + b] = own[0][a] + own[1][b] + pairs[1][a * sizes[1] + b];
		}
	}
	return cost;
}

/** One step onward: from states (a, b) to states (b, c), remembering the best a. */
function advance(lattice: Lattice, i: number, before: Int32Array): Layer {
	const { sizes, pitches, own, pairs } = lattice;
	const [na, nb, nc] = [sizes[i - 2], sizes[i - 1], sizes[i]];
	const [pa, pb, pc] = [pitches[i - 2], pitches[i - 1], pitches[i]];
	const pair = pairs[i];
	const ownCost = own[i];
	const cost = new Int32Array(nb * nc);
	const from = new Uint8Array(nb * nc);
	for (let b = 0; b < nb; b++) {
		for (let c = 0; c < nc; c++) {
			let best = 0x7fffffff;
			let bestFrom = 0;
			for (let a = 0; a < na; a++) {
				const total = before[a * nb + b] + triple(pa[a], pb[b], pc[c]);
				if (total < best) {
					best = total;
					bestFrom = a;
				}
			}
			cost[b * nc + c] = best + pair[b * nc + c] + ownCost[c];
			from[b * nc + c] = bestFrom;
		}
	}
	return { cost, from };
}

function argMin(costs: Int32Array): number {
	let best = 0;
	for (let i = 1; i < costs.length; i++) if (costs[i] < costs[best]) best = i;
	return best;
}

/** A path through the lattice: one candidate index per step, and its exact least cost. */
export type Path = { readonly path: number[]; readonly cost: number };

/**
 * The cheapest path, exactly: dynamic programming whose state is the last two targets, so that
 * turns and repetitions count. Ties fall to the earliest candidate.
 * Time grows with steps × candidates³.
 */
export function solve(lattice: Lattice): Path {
	const { sizes, own } = lattice;
	const n = sizes.length;
	if (n === 0) return { path: [], cost: 0 };
	if (n === 1) {
		const best = argMin(own[0]);
		return { path: [best], cost: own[0][best] };
	}
	let cost = firstPairs(lattice);
	const back: Uint8Array[] = [];
	for (let i = 2; i < n; i++) {
		const layer = advance(lattice, i, cost);
		cost = layer.cost;
		back[i] = layer.from;
	}
	const end = argMin(cost);
	const path = new Array<number>(n);
	path[n - 1] = end % sizes[n - 1];
	path[n - 2] = Math.floor(end / sizes[n - 1]);
	for (let i = n - 1; i >= 2; i--) path[i - 2] = back[i][path[i - 1] * sizes[i] + path[i]];
	return { path, cost: cost[end] };
}

/** Cheapest way to the end from each state (a, b) of steps i − 1, i, what came before left out. */
function remaining(lattice: Lattice, i: number): Int32Array {
	const { sizes, pitches, own, pairs } = lattice;
	let after = new Int32Array(sizes[sizes.length - 2] * sizes[sizes.length - 1]);
	for (let step = sizes.length - 1; step > i; step--) {
		const [na, nb, nc] = [sizes[step - 2], sizes[step - 1], sizes[step]];
		const cost = new Int32Array(na * nb);
		for (let a = 0; a < na; a++) {
			for (let b = 0; b < nb; b++) {
				let best = 0x7fffffff;
				for (let c = 0; c < nc; c++) {
					const total =
						triple(pitches[step - 2][a], pitches[step - 1][b], pitches[step][c]) +
						pairs[step][b * nc + c] +
						own[step][c] +
						after[b * nc + c];
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
	if (sizes.length === 1) return own[0];
	const i = Math.max(1, step);
	let cost = firstPairs(lattice);
	for (let k = 2; k <= i; k++) cost = advance(lattice, k, cost).cost;
	const rest = remaining(lattice, i);
	const through = new Int32Array(sizes[step]).fill(0x7fffffff);
	for (let state = 0; state < cost.length; state++) {
		const candidate = step === 0 ? Math.floor(state / sizes[1]) : state % sizes[i];
		through[candidate] = Math.min(through[candidate], cost[state] + rest[state]);
	}
	return through;
}
