import { groupOf, kindOf, movesBetween } from './moves';
import { GROUPS, groupRanked, KINDS, RANK, RANKED, THREE } from './three-costs';
import { FORBIDDEN, LINE } from './line-prices';

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

/** Takes in the first move: from the target before to each note of the first layer. */
export function begin(gap: Gap, into: Inward): void {
	const [from, notes] = [gap.pitch[0]!, gap.pitch[1]!];
	into.cost.fill(FORBIDDEN, 0, notes.length * GROUPS);
	into.other.fill(FORBIDDEN, 0, notes.length * GROUPS);
	for (let c = 0; c < notes.length; c++) {
		const at = c * GROUPS + groupOf(notes[c]! - from[0]!);
		into.cost[at] = Math.min(FORBIDDEN, gap.pairs[1]![c]!);
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

/** The kind of interval that would return from a note to where each group of ways into it came from; −1 for none. */
const backward = new Int8Array(GROUPS);

/**
 * Settles the pairs of layers i − 1 and i. The cost of three notes depends only on the group of the first interval, the
 * kind of the second, and on whether the third pitch is the first again; so all pairs (b, c) of one kind are settled by
 * the least of five sums, and by five more where the line would return, instead of a loop over all a: the same optimum.
 * The sums carry the group's rank among equals in their last bits, and the least is found without a branch: what comes out
 * changes from note to note, and no processor guesses it.
 */
export function settle(gap: Gap, i: number, ways: Inward, into: Settled): void {
	const pa = gap.pitch[i - 2]!;
	const pb = gap.pitch[i - 1]!;
	const { cost: best, from } = ways;
	const own = gap.own[i - 1]!;
	const { cost, from: before, again } = into;
	const ranked = RANKED;
	for (let b = 0, at = 0, row = 0; b < pb.length; b++, row += GROUPS) {
		const here = pb[b]!;
		for (let group = 0; group < GROUPS; group++) {
			// What leads nowhere says nothing of where it came from.
			const known = group !== LEVEL && best[row + group]! < FORBIDDEN;
			backward[group] = known ? kindOf(pa[from[row + group]!]! - here) : -1;
		}
		const mine = own[b]!;
		const first = Math.min(FORBIDDEN, best[row]! + mine) << RANK;
		const second = Math.min(FORBIDDEN, best[row + 1]! + mine) << RANK;
		const third = Math.min(FORBIDDEN, best[row + 2]! + mine) << RANK;
		const fourth = Math.min(FORBIDDEN, best[row + 3]! + mine) << RANK;
		const fifth = Math.min(FORBIDDEN, best[row + 4]! + mine) << RANK;
		for (let kind = 0, three = 0; kind < KINDS; kind++, at++, three += GROUPS) {
			let least = first + ranked[three]!;
			let less = second + ranked[three + 1]! - least;
			least += less & (less >> 31);
			less = third + ranked[three + 2]! - least;
			least += less & (less >> 31);
			less = fourth + ranked[three + 3]! - least;
			least += less & (less >> 31);
			less = fifth + ranked[three + 4]! - least;
			least += less & (less >> 31);
			const group = groupRanked(kind, least);
			const a = from[row + group]!;
			cost[at] = least >> RANK;
			before[at] = a;
			const returns = backward[group] === kind;
			again[at] = returns ? pa[a]! : -1;
			if (returns) settleReturn(ways, row, mine, pa, kind, into, at);
		}
	}
}

/** The cheapest way on to the pitch that the cheapest way of all came from: returns cost more. */
function settleReturn(
	ways: Inward,
	row: number,
	own: number,
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
		let total = Math.min(FORBIDDEN, least + own) + three;
		let a = ways.from[row + group]!;
		if (group !== LEVEL && least < FORBIDDEN && pa[a] === to) {
			total += LINE.returns;
			const other = Math.min(FORBIDDEN, ways.other[row + group]! + own) + three;
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

/**
 * One layer onward: the cheapest ways into the notes of layer i, of the pairs that are settled. What the notes themselves
 * cost comes in when they are settled.
 */
export function advance(gap: Gap, i: number, pairs: Settled, into: Inward): void {
	const pb = gap.pitch[i - 1]!;
	const pc = gap.pitch[i]!;
	const nc = pc.length;
	const pair = gap.pairs[i]!;
	const { kinds, slots } = movesBetween(pb, pc);
	const { cost, again, againCost } = pairs;
	const { cost: least, from: leastB, other, otherFrom } = into;
	least.fill(FORBIDDEN, 0, nc * GROUPS);
	other.fill(FORBIDDEN, 0, nc * GROUPS);
	leastB.fill(0, 0, nc * GROUPS);
	for (let b = 0, state = 0, row = 0; b < pb.length; b++, row += KINDS) {
		for (let c = 0; c < nc; c++, state++) {
			const settledAt = row + kinds[state]!;
			const three = pc[c] === again[settledAt] ? againCost[settledAt]! : cost[settledAt]!;
			const sum = three + pair[state]!;
			const at = slots[state]!;
			if (sum >= other[at]!) continue;
			const another = pb[b] !== pb[leastB[at]!];
			if (sum < least[at]!) {
				if (another) {
					other[at] = least[at]!;
					otherFrom[at] = leastB[at]!;
				}
				least[at] = sum;
				leastB[at] = b;
			} else if (another) {
				other[at] = sum;
				otherFrom[at] = b;
			}
		}
	}
}
