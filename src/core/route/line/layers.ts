import { GROUP_OF_KIND, groupOf, kindOf, movesBetween } from './moves';
import { GROUPS, KINDS, THREE } from './three-costs';
import { FORBIDDEN, LINE } from './weights';

/**
 * The way from one target to the next in numbers. Layers 0 and n + 1 hold the two targets, one candidate
 * each; layers 1 … n the notes between. Typed arrays because the search reads them millions of times.
 */
export type Gap = {
	readonly pitch: readonly Int16Array[];
	/** Own cost of each candidate; the targets' are empty. */
	readonly own: readonly Int32Array[];
	/** `pairs[i][b * size(i) + c]`: cost from candidate b of layer i − 1 to c of layer i; `pairs[0]` is empty. */
	readonly pairs: readonly Int32Array[];
	/** Class of arrival (an index into `APPROACHES`) by candidate b of the second-last layer before the target and c of the last. */
	readonly arrival: Uint8Array;
	/** Cost of each class of arrival. */
	readonly arrivalCost: readonly number[];
};
/** The group of ways that stay on their pitch. */
const LEVEL = 2;

/**
 * The ways into the notes of a layer, `[note * GROUPS + group]`: the cheapest, and the cheapest that comes from
 * another pitch than that one, each with the note that it comes from.
 */
export type Inward = {
	readonly cost: Int32Array;
	readonly from: Uint8Array;
	readonly other: Int32Array;
	readonly otherFrom: Uint8Array;
};

export const inward = (notes: number): Inward => ({
	cost: new Int32Array(notes * GROUPS),
	from: new Uint8Array(notes * GROUPS),
	other: new Int32Array(notes * GROUPS),
	otherFrom: new Uint8Array(notes * GROUPS)
});

/** Of the groups up (or down) by leap, up, and level: the cheapest, which carries on upward at no cost. */
const carriesOn = (best: Int32Array, row: number, leap: number, step: number): number => {
	const own = best[row + leap]! <= best[row + step]! ? leap : step;
	return best[row + LEVEL]! < best[row + own]! ? LEVEL : own;
};

/** The cheapest of three groups of ways into a note, going on by a kind of interval. */
function cheapest(
	best: Int32Array,
	row: number,
	kind: number,
	free: number,
	one: number,
	other: number
): number {
	const three = kind * GROUPS;
	let group = free;
	let cost = best[row + free]! + THREE[three + free]!;
	const first = best[row + one]! + THREE[three + one]!;
	if (first < cost) {
		cost = first;
		group = one;
	}
	return best[row + other]! + THREE[three + other]! < cost ? other : group;
}

/** The cheapest of all groups: leaps onward weigh every group on its own. */
function cheapestOfAll(best: Int32Array, row: number, kind: number): number {
	const three = kind * GROUPS;
	let found = 0;
	let cost = best[row]! + THREE[three]!;
	for (let group = 1; group < GROUPS; group++) {
		const total = best[row + group]! + THREE[three + group]!;
		if (total < cost) {
			cost = total;
			found = group;
		}
	}
	return found;
}

/**
 * The group of ways into a note from which it goes on cheapest by a kind of interval.
 * @param up the group that carries on upward at no cost, `down` the one that does so downward
 */
function groupBefore(
	best: Int32Array,
	row: number,
	kind: number,
	up: number,
	down: number
): number {
	switch (kind) {
		case 0:
			if (best[row] !== FORBIDDEN) return cheapestOfAll(best, row, 0);
			return cheapest(best, row, 0, best[row + 1]! <= best[row + 2]! ? 1 : 2, 3, 4);
		case 1:
		case 2:
			return cheapest(best, row, kind, up, 3, 4);
		case 3:
			return cheapest(best, row, 3, best[row + up]! <= best[row + down]! ? up : down, 2, 2);
		case 4:
		case 5:
			return cheapest(best, row, kind, down, 0, 1);
		default:
			if (best[row + 4] !== FORBIDDEN) return cheapestOfAll(best, row, 6);
			return cheapest(best, row, 6, best[row + 3]! <= best[row + 2]! ? 3 : 2, 0, 1);
	}
}

/** Takes in the first move: from the target before to each note of the first layer. */
export function begin(gap: Gap, into: Inward): void {
	const [from, notes] = [gap.pitch[0]!, gap.pitch[1]!];
	into.cost.fill(FORBIDDEN, 0, notes.length * GROUPS);
	into.other.fill(FORBIDDEN, 0, notes.length * GROUPS);
	for (let c = 0; c < notes.length; c++) {
		const at = c * GROUPS + groupOf(notes[c]! - from[0]!);
		into.cost[at] = Math.min(FORBIDDEN, gap.pairs[1]![c]! + gap.own[1]![c]!);
		into.from[at] = 0;
	}
}

/**
 * What settles the pairs of two layers, `[b * KINDS + kind]`: the cost of the three notes up to b with the cheapest note
 * before, and that note; and the one pitch that would return to it, at a cost and with a note before of its own.
 */
export type Settled = {
	readonly cost: Int32Array;
	readonly from: Uint8Array;
	/** The pitch that would return; −1 for none. */
	readonly again: Int16Array;
	readonly againCost: Int32Array;
	readonly againFrom: Uint8Array;
};

export const settled = (notes: number): Settled => ({
	cost: new Int32Array(notes * KINDS),
	from: new Uint8Array(notes * KINDS),
	again: new Int16Array(notes * KINDS),
	againCost: new Int32Array(notes * KINDS),
	againFrom: new Uint8Array(notes * KINDS)
});

/** Where a pair stands among the settled ones: by its first note and the kind of its interval. */
export const pairAt = (b: number, from: number, to: number): number =>
	b * KINDS + kindOf(to - from);

/**
 * Settles the pairs of layers i − 1 and i. The cost of three notes depends only on the group of the first interval, the
 * kind of the second, and on whether the third pitch is the first again; so all pairs (b, c) of one kind are settled by
 * one look-up, and by five where the line would return, instead of a loop over all a: the same optimum.
 */
export function settle(gap: Gap, i: number, ways: Inward, into: Settled): void {
	const pa = gap.pitch[i - 2]!;
	const pb = gap.pitch[i - 1]!;
	const { ends } = movesBetween(pb, gap.pitch[i]!);
	const best = ways.cost;
	for (let b = 0, at = 0; b < pb.length; b++) {
		const here = b * GROUPS;
		const up = carriesOn(best, here, 0, 1);
		const down = carriesOn(best, here, 3, 4);
		let before = 0;
		for (let kind = 0; kind < KINDS; kind++, at++) {
			const end = ends[at]!;
			if (before === end) continue;
			before = end;
			const group = groupBefore(best, here, kind, up, down);
			const a = ways.from[here + group]!;
			into.cost[at] = best[here + group]! + THREE[kind * GROUPS + group]!;
			into.from[at] = a;
			const returns =
				group !== LEVEL && kindOf(pa[a]! - pb[b]!) === kind && best[here + group] !== FORBIDDEN;
			into.again[at] = returns ? pa[a]! : -1;
			if (returns) settleReturn(ways, here, pa, kind, into, at);
		}
	}
}

/** The cheapest way on to the pitch that the cheapest way of all came from: returns cost more. */
function settleReturn(
	ways: Inward,
	row: number,
	pa: Int16Array,
	kind: number,
	into: Settled,
	at: number
): void {
	const to = into.again[at]!;
	let cost = FORBIDDEN;
	let from = 0;
	for (let group = 0; group < GROUPS; group++) {
		const three = THREE[kind * GROUPS + group]!;
		const least = ways.cost[row + group]!;
		let total = least + three;
		let a = ways.from[row + group]!;
		if (group !== LEVEL && least !== FORBIDDEN && pa[a] === to) {
			total += LINE.returns;
			const other = ways.other[row + group]! + three;
			if (other < total) {
				total = other;
				a = ways.otherFrom[row + group]!;
			}
		}
		if (total < cost) {
			cost = total;
			from = a;
		}
	}
	into.againCost[at] = cost;
	into.againFrom[at] = from;
}

/** One layer onward: the cheapest ways into the notes of layer i, of the pairs that are settled. */
export function advance(gap: Gap, i: number, pairs: Settled, into: Inward): void {
	const pb = gap.pitch[i - 1]!;
	const pc = gap.pitch[i]!;
	const nc = pc.length;
	const pair = gap.pairs[i]!;
	const own = gap.own[i]!;
	const { order, ends } = movesBetween(pb, pc);
	const { cost: least, from: leastB, other, otherFrom } = into;
	least.fill(FORBIDDEN, 0, nc * GROUPS);
	other.fill(FORBIDDEN, 0, nc * GROUPS);
	for (let b = 0, settledAt = 0; b < pb.length; b++) {
		const row = b * nc;
		let k = row;
		for (let kind = 0; kind < KINDS; kind++, settledAt++) {
			const end = row + ends[settledAt]!;
			if (k === end) continue;
			const base = pairs.cost[settledAt]!;
			const again = pairs.again[settledAt]!;
			const group = GROUP_OF_KIND[kind]!;
			for (; k < end; k++) {
				const c = order[k]!;
				const sum = (pc[c] === again ? pairs.againCost[settledAt]! : base) + pair[row + c]!;
				const at = c * GROUPS + group;
				if (sum >= other[at]!) continue;
				if (sum < least[at]!) {
					if (pb[b] !== pb[leastB[at]!]) {
						other[at] = least[at]!;
						otherFrom[at] = leastB[at]!;
					}
					least[at] = sum;
					leastB[at] = b;
				} else if (pb[b] !== pb[leastB[at]!]) {
					other[at] = sum;
					otherFrom[at] = b;
				}
			}
		}
	}
	for (let c = 0, at = 0; c < nc; c++) {
		for (let group = 0; group < GROUPS; group++, at++) {
			least[at] = Math.min(FORBIDDEN, least[at]! + own[c]!);
			other[at] = Math.min(FORBIDDEN, other[at]! + own[c]!);
		}
	}
}
