import { GROUPS, KINDS, THREE } from './three-costs';
import { FORBIDDEN, LEAP, LINE } from './weights';

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
/** The group that an interval of each kind belongs to. */
const GROUP_OF_KIND = Uint8Array.of(0, 1, 1, 2, 3, 3, 4);
/** Intervals beyond this many semitones do not occur in a window of eight strings. */
const WIDEST = 96;

/** Group and kind of an interval, by its semitones from −96. */
const groupOf = Uint8Array.from({ length: 2 * WIDEST + 1 }, (_, i) => {
	const d = i - WIDEST;
	return d >= LEAP ? 0 : d > 0 ? 1 : d === 0 ? 2 : d > -LEAP ? 3 : 4;
});

const kindOf = Uint8Array.from({ length: 2 * WIDEST + 1 }, (_, i) => {
	const d = i - WIDEST;
	const size = Math.abs(d);
	const kind = size >= LEAP ? 0 : size > 2 ? 1 : size > 0 ? 2 : 3;
	return d < 0 ? 6 - kind : kind;
});
/**
 * The moves from the notes of one layer to those of the next, sorted by their kind: for each note b, `order` holds
 * those of the next, the earliest first within a kind; `ends[b * KINDS + kind]` is where a kind ends.
 */
type Moves = { readonly order: Uint8Array; readonly ends: Uint8Array };

const movesKnown = new WeakMap<Int16Array, WeakMap<Int16Array, Moves>>();

function sortMoves(from: Int16Array, to: Int16Array): Moves {
	const order = new Uint8Array(from.length * to.length);
	const ends = new Uint8Array(from.length * KINDS);
	for (let b = 0, at = 0; b < from.length; b++) {
		const row = at;
		for (let kind = 0; kind < KINDS; kind++) {
			for (let c = 0; c < to.length; c++) {
				if (kindOf[to[c]! - from[b]! + WIDEST] === kind) order[at++] = c;
			}
			ends[b * KINDS + kind] = at - row;
		}
	}
	return { order, ends };
}

/** The moves between two layers, remembered as long as the pitches of both live. */
function movesBetween(from: Int16Array, to: Int16Array): Moves {
	let row = movesKnown.get(from);
	if (!row) movesKnown.set(from, (row = new WeakMap()));
	let found = row.get(to);
	if (!found) row.set(to, (found = sortMoves(from, to)));
	return found;
}

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

// Scratch of the one search that runs at a time: nothing in it outlives a call, and a worker has its own. Of the note that
// is looked at, the groups that carry on at no cost; and what was found last.
let upward = 0;

let downward = 0;

let foundCost = 0;

let foundGroup = 0;

let foundFrom = 0;

/** For a note: the groups that carry on at no cost, each way's own and level ones; the others turn. */
function carriedOn(best: Int32Array, row: number): void {
	upward = best[row]! <= best[row + 1]! ? 0 : 1;
	if (best[row + 2]! < best[row + upward]!) upward = 2;
	downward = best[row + 3]! <= best[row + 4]! ? 3 : 4;
	if (best[row + 2]! < best[row + downward]!) downward = 2;
}

/** The cheapest way on from a note by a kind of interval. */
function wayOn(best: Int32Array, row: number, kind: number): void {
	switch (kind) {
		case 0:
			if (best[row] !== FORBIDDEN) return cheapestOfAll(best, row, 0);
			return cheapest(best, row, 0, best[row + 1]! <= best[row + 2]! ? 1 : 2, 3, 4);
		case 1:
		case 2:
			return cheapest(best, row, kind, upward, 3, 4);
		case 3: {
			const free = best[row + upward]! <= best[row + downward]! ? upward : downward;
			return cheapest(best, row, 3, free, 2, 2);
		}
		case 4:
		case 5:
			return cheapest(best, row, kind, downward, 0, 1);
		default:
			if (best[row + 4] !== FORBIDDEN) return cheapestOfAll(best, row, 6);
			return cheapest(best, row, 6, best[row + 3]! <= best[row + 2]! ? 3 : 2, 0, 1);
	}
}

/** The cheapest of three groups. */
function cheapest(
	best: Int32Array,
	row: number,
	kind: number,
	free: number,
	one: number,
	other: number
): void {
	const three = kind * GROUPS;
	foundGroup = free;
	foundCost = best[row + free]! + THREE[three + free]!;
	const first = best[row + one]! + THREE[three + one]!;
	if (first < foundCost) {
		foundCost = first;
		foundGroup = one;
	}
	const second = best[row + other]! + THREE[three + other]!;
	if (second < foundCost) {
		foundCost = second;
		foundGroup = other;
	}
}

/** The cheapest of all groups: leaps onward weigh every group on its own. */
function cheapestOfAll(best: Int32Array, row: number, kind: number): void {
	const three = kind * GROUPS;
	foundGroup = 0;
	foundCost = best[row]! + THREE[three]!;
	for (let group = 1; group < GROUPS; group++) {
		const total = best[row + group]! + THREE[three + group]!;
		if (total < foundCost) {
			foundCost = total;
			foundGroup = group;
		}
	}
}

/** The cheapest way on to a pitch that the cheapest way of all came from: returns cost more. */
function gatherReturn(ways: Inward, row: number, pa: Int16Array, kind: number, to: number): void {
	foundCost = FORBIDDEN;
	foundFrom = 0;
	for (let group = 0; group < GROUPS; group++) {
		const three = THREE[kind * GROUPS + group]!;
		const cheapest = ways.cost[row + group]!;
		let total = cheapest + three;
		let a = ways.from[row + group]!;
		if (group !== 2 && cheapest !== FORBIDDEN && pa[a] === to) {
			total += LINE.returns;
			const other = ways.other[row + group]! + three;
			if (other < total) {
				total = other;
				a = ways.otherFrom[row + group]!;
			}
		}
		if (total < foundCost) {
			foundCost = total;
			foundFrom = a;
		}
	}
}

/** Takes in the first move: from the target before to each note of the first layer. */
export function begin(gap: Gap, into: Inward): void {
	const [from, notes] = [gap.pitch[0]!, gap.pitch[1]!];
	into.cost.fill(FORBIDDEN, 0, notes.length * GROUPS);
	into.other.fill(FORBIDDEN, 0, notes.length * GROUPS);
	for (let c = 0; c < notes.length; c++) {
		const at = c * GROUPS + groupOf[notes[c]! - from[0]! + WIDEST]!;
		into.cost[at] = Math.min(FORBIDDEN, gap.pairs[1]![c]! + gap.own[1]![c]!);
		into.from[at] = 0;
	}
}

/**
 * One layer onward. The cost of three notes depends only on the group of the first interval, the kind of
 * the second, and on whether the third pitch is the first again; so each pair (b, c) is settled by one
 * look-up, or by five where the line would return, instead of a loop over all a: the same optimum. What a pair costs
 * is weighed at once among the ways into c.
 * @param cost takes the cost of each pair, `[b * nc + c]`
 * @param from takes the note before each pair
 */
export function advance(
	gap: Gap,
	i: number,
	ways: Inward,
	into: Inward,
	cost: Int32Array,
	from: Uint8Array
): void {
	const pa = gap.pitch[i - 2]!;
	const pb = gap.pitch[i - 1]!;
	const pc = gap.pitch[i]!;
	const nc = pc.length;
	const pair = gap.pairs[i]!;
	const own = gap.own[i]!;
	const { order, ends } = movesBetween(pb, pc);
	const { cost: least, from: leastB, other, otherFrom } = into;
	least.fill(FORBIDDEN, 0, nc * GROUPS);
	other.fill(FORBIDDEN, 0, nc * GROUPS);
	for (let b = 0; b < pb.length; b++) {
		const here = b * GROUPS;
		carriedOn(ways.cost, here);
		const row = b * nc;
		let k = row;
		for (let kind = 0; kind < KINDS; kind++) {
			const end = row + ends[b * KINDS + kind]!;
			if (k === end) continue;
			wayOn(ways.cost, here, kind);
			const base = foundCost;
			const baseA = ways.from[here + foundGroup]!;
			const fromBefore = foundGroup !== 2 && ways.cost[here + foundGroup] !== FORBIDDEN;
			const again = fromBefore ? pa[baseA]! : -1;
			const group = GROUP_OF_KIND[kind]!;
			for (; k < end; k++) {
				const c = order[k]!;
				let best = base;
				let bestA = baseA;
				if (pc[c] === again) {
					gatherReturn(ways, here, pa, kind, again);
					best = foundCost;
					bestA = foundFrom;
				}
				const whole = best + pair[row + c]! + own[c]!;
				const sum = whole < FORBIDDEN ? whole : FORBIDDEN;
				cost[row + c] = sum;
				from[row + c] = bestA;
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
}
