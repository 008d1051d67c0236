import { APPROACHES } from './approach';
import { threeCost } from './motion';
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

/** The best way with one class of arrival: a candidate per note. */
export type Way = { readonly cost: number; readonly path: readonly number[] };

/** Groups of ways into a note by the interval before it: up by leap, up, level, down, down by leap. */
const GROUPS = 5;
/** Kinds of the interval after it: up by leap, by a third, by a step; level; and down alike. */
const KINDS = 7;
const GROUP_OF = [LEAP, 1, 0, -1, -LEAP];
const KIND_OF = [LEAP, 3, 1, 0, -1, -3, -LEAP];

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
/** How much dearer than a turn a repeated note becomes where turns are made dearer: it would hide one, not spare it. */
const AGAIN = 4;

/** What two intervals in a row have of turns. */
const unrest = (first: number, second: number): number =>
	Number(Math.sign(first) * Math.sign(second) === -1) +
	AGAIN * (Number(first === 0) + Number(second === 0));

/**
 * `[kind * GROUPS + group]`: cost of three notes, a return to the first pitch left out.
 * @param extra what each turn costs on top
 */
const threes = (extra: number): Int32Array =>
	Int32Array.from({ length: KINDS * GROUPS }, (_, i) => {
		const [first, second] = [GROUP_OF[i % GROUPS], KIND_OF[Math.floor(i / GROUPS)]];
		const cost = threeCost(0, first, first + second) + extra * unrest(first, second);
		return first !== 0 && second === -first ? cost - LINE.returns : cost;
	});

/** The tables by what a turn costs more: none; and the prices at which a way that turns often is sought anew. */
const TURN_EXTRA = [0, 4000, 8000, 12_000] as const;
const TABLES = TURN_EXTRA.map(threes);
/** The table of the search that runs: filled, not exchanged, because the search reads it millions of times. */
const THREE = Int32Array.from(TABLES[0]);

// Scratch of the one search that runs at a time: nothing in it outlives a call, and a worker has its own. By group: the cheapest way into a note and the cheapest of another pitch.
const bestCost = new Int32Array(GROUPS);
const bestFrom = new Uint8Array(GROUPS);
const bestPitch = new Int16Array(GROUPS);
const otherCost = new Int32Array(GROUPS);
const otherFrom = new Uint8Array(GROUPS);
// And by kind of the next interval: the cheapest way of all groups.
const onCost = new Int32Array(KINDS);
const onFrom = new Uint8Array(KINDS);
const onPitch = new Int16Array(KINDS);

/** For candidate b: the cheapest way in per group, and from there the cheapest per kind of move onward. */
function gather(
	before: Int32Array,
	b: number,
	nb: number,
	pa: Int16Array,
	na: number,
	pitch: number
): void {
	bestCost[0] = bestCost[1] = bestCost[2] = bestCost[3] = bestCost[4] = FORBIDDEN;
	otherCost[0] = otherCost[1] = otherCost[2] = otherCost[3] = otherCost[4] = FORBIDDEN;
	bestPitch[0] = bestPitch[1] = bestPitch[2] = bestPitch[3] = bestPitch[4] = -1;
	for (let a = 0; a < na; a++) {
		const cost = before[a * nb + b];
		const from = pa[a];
		const group = groupOf[pitch - from + WIDEST];
		if (cost < bestCost[group]) {
			if (from !== bestPitch[group]) {
				otherCost[group] = bestCost[group];
				otherFrom[group] = bestFrom[group];
			}
			bestCost[group] = cost;
			bestFrom[group] = a;
			bestPitch[group] = from;
		} else if (from !== bestPitch[group] && cost < otherCost[group]) {
			otherCost[group] = cost;
			otherFrom[group] = a;
		}
	}
	// Ways of one direction and level ways carry on at no cost; the others turn.
	let up = bestCost[0] <= bestCost[1] ? 0 : 1;
	if (bestCost[2] < bestCost[up]) up = 2;
	let down = bestCost[3] <= bestCost[4] ? 3 : 4;
	if (bestCost[2] < bestCost[down]) down = 2;
	settle(1, up, 3, 4);
	settle(2, up, 3, 4);
	settle(3, bestCost[up] <= bestCost[down] ? up : down, 2, 2);
	settle(4, down, 0, 1);
	settle(5, down, 0, 1);
	if (bestCost[0] === FORBIDDEN) settle(0, bestCost[1] <= bestCost[2] ? 1 : 2, 3, 4);
	else settleAll(0);
	if (bestCost[4] === FORBIDDEN) settle(6, bestCost[3] <= bestCost[2] ? 3 : 2, 0, 1);
	else settleAll(6);
}

/** Sets the group that a kind of move goes on from. */
function goOn(kind: number, group: number, cost: number): void {
	onCost[kind] = cost;
	onFrom[kind] = bestFrom[group];
	onPitch[kind] = group === 2 ? -1 : bestPitch[group];
}

/** The cheapest of three groups for a kind of move onward. */
function settle(kind: number, free: number, one: number, other: number): void {
	let at = free;
	let best = bestCost[free] + THREE[kind * GROUPS + free];
	const first = bestCost[one] + THREE[kind * GROUPS + one];
	if (first < best) {
		best = first;
		at = one;
	}
	const second = bestCost[other] + THREE[kind * GROUPS + other];
	if (second < best) {
		best = second;
		at = other;
	}
	goOn(kind, at, best);
}

/** The cheapest of all groups: leaps onward weigh every group on its own. */
function settleAll(kind: number): void {
	let at = 0;
	let best = bestCost[0] + THREE[kind * GROUPS];
	for (let g = 1; g < GROUPS; g++) {
		const total = bestCost[g] + THREE[kind * GROUPS + g];
		if (total < best) {
			best = total;
			at = g;
		}
	}
	goOn(kind, at, best);
}

let foundCost = 0;
let foundFrom = 0;

/** The cheapest way on to a pitch that the cheapest way of all came from: returns cost more. */
function gatherReturn(kind: number, to: number): void {
	foundCost = FORBIDDEN;
	foundFrom = 0;
	for (let g = 0; g < GROUPS; g++) {
		const three = THREE[kind * GROUPS + g];
		let total = bestCost[g] + three;
		let a = bestFrom[g];
		if (bestPitch[g] === to && g !== 2) {
			total += LINE.returns;
			const other = otherCost[g] + three;
			if (other < total) {
				total = other;
				a = otherFrom[g];
			}
		}
		if (total < foundCost) {
			foundCost = total;
			foundFrom = a;
		}
	}
}

/**
 * One layer onward. The cost of three notes depends only on the group of the first interval, the kind of
 * the second, and on whether the third pitch is the first again; so each pair (b, c) is settled by one
 * look-up, or by five where the line would return, instead of a loop over all a: the same optimum.
 */
function advance(
	gap: Gap,
	i: number,
	before: Int32Array,
	cost: Int32Array,
	from: Uint8Array
): void {
	const pa = gap.pitch[i - 2];
	const pb = gap.pitch[i - 1];
	const pc = gap.pitch[i];
	const na = pa.length;
	const nb = pb.length;
	const nc = pc.length;
	const pair = gap.pairs[i];
	const own = gap.own[i];
	let at = 0;
	for (let b = 0; b < nb; b++) {
		const pitch = pb[b];
		gather(before, b, nb, pa, na, pitch);
		for (let c = 0; c < nc; c++) {
			const to = pc[c];
			const kind = kindOf[to - pitch + WIDEST];
			let best = onCost[kind];
			let bestA = onFrom[kind];
			if (onPitch[kind] === to) {
				gatherReturn(kind, to);
				best = foundCost;
				bestA = foundFrom;
			}
			const sum = best + pair[at] + own[c];
			cost[at] = sum < FORBIDDEN ? sum : FORBIDDEN;
			from[at] = bestA;
			at++;
		}
	}
}

/** Triples of neighbouring candidates: what a plain search over the last two notes would weigh. */
export const relaxationsOf = ({ pitch }: Gap): number =>
	pitch
		.slice(2)
		.reduce((sum, layer, i) => sum + pitch[i].length * pitch[i + 1].length * layer.length, 0);

// Costs of two layers in turn; grown where a pool is larger than any before.
let costs = [new Int32Array(1024), new Int32Array(1024)];

/** Notes between two targets for each turn that a way may make; one turn at least. */
const NOTES_A_TURN = 8;
const mostTurns = (notes: number): number => Math.max(1, Math.round(notes / NOTES_A_TURN));

/** Turns among the notes between two targets. @param heard the pitches, both targets included */
export function turnsWithin(heard: readonly number[]): number {
	let turns = 0;
	for (let i = 2; i + 2 < heard.length; i++) {
		const [before, after] = [heard[i] - heard[i - 1], heard[i + 1] - heard[i]];
		if (Math.sign(before) * Math.sign(after) === -1) turns++;
	}
	return turns;
}

/** True when a way turns more than once in eight notes. @param heard the pitches, both targets included */
export const isRestless = (heard: readonly number[]): boolean =>
	turnsWithin(heard) > mostTurns(heard.length - 2);

/** The pitches of a way, both targets included. */
const heardIn = ({ pitch }: Gap, { path }: Way): number[] => [
	pitch[0][0],
	...path.map((c, i) => pitch[i + 1][c]),
	pitch[pitch.length - 1][0]
];

/** What a search has priced in a way by turns: in all its notes and the target before them. */
const priced = (heard: readonly number[]): number =>
	heard
		.slice(2, -1)
		.reduce((sum, third, i) => sum + unrest(heard[i + 1] - heard[i], third - heard[i + 1]), 0);

/** Notes that sound the pitch before them. */
const repeats = (heard: readonly number[]): number =>
	heard.filter((midi, i) => i > 0 && midi === heard[i - 1]).length;

/** A way that is so much dearer than the cheapest is hardly ever taken: it stays as it is. */
const RIVAL = 1500;

/**
 * The ways of `solveGap`, but where one turns more than once in eight notes, the cheapest one that does not
 * takes its place, as far as dearer turns find one.
 * @returns the ways, and how many searches they took
 */
export function solveDirect(gap: Gap): { ways: (Way | null)[]; searches: number } {
	const ways = solveGap(gap);
	const rival = RIVAL + Math.min(...ways.map((way) => way?.cost ?? Infinity));
	const restless = (way: Way | null) =>
		way !== null && way.cost < rival && isRestless(heardIn(gap, way));
	let searches = 1;
	for (let level = 1; level < TURN_EXTRA.length && ways.some(restless); level++) {
		searches++;
		solveGap(gap, level).forEach((found, kind) => {
			const known = ways[kind];
			if (!found || !known || !restless(known)) return;
			const [heard, before] = [heardIn(gap, found), heardIn(gap, known)];
			if (turnsWithin(heard) >= turnsWithin(before) || repeats(heard) > repeats(before)) return;
			const extra = TURN_EXTRA[level] * priced(heard);
			ways[kind] = { path: found.path, cost: found.cost - extra };
		});
	}
	return { ways, searches };
}

/**
 * The cheapest way between two targets for each class of arrival, exactly: dynamic programming whose
 * state is the last two notes. Ties fall to the earliest candidates. Classes that no way has are null.
 * @param level which price of turns, an index into `TURN_EXTRA`; the costs of the ways include it
 */
export function solveGap(gap: Gap, level = 0): (Way | null)[] {
	THREE.set(TABLES[level]);
	const { pitch, own, pairs, arrival, arrivalCost } = gap;
	const n = pitch.length - 2;
	if (n === 0) return APPROACHES.map(() => null);
	let most = 0;
	for (let i = 1; i < pitch.length; i++)
		most = Math.max(most, pitch[i - 1].length * pitch[i].length);
	if (most > costs[0].length) costs = [new Int32Array(most), new Int32Array(most)];
	let [cost, spare] = costs;
	for (let c = 0; c < pitch[1].length; c++) {
		cost[c] = Math.min(FORBIDDEN, pairs[1][c] + own[1][c]);
	}
	const back: Uint8Array[] = [];
	for (let i = 2; i <= n; i++) {
		back[i] = new Uint8Array(pitch[i - 1].length * pitch[i].length);
		advance(gap, i, cost, spare, back[i]);
		[cost, spare] = [spare, cost];
	}
	const least = new Array<number>(APPROACHES.length).fill(FORBIDDEN);
	const ends = new Array<number>(APPROACHES.length).fill(-1);
	const target = pitch[n + 1][0];
	const pb = pitch[n - 1];
	const pc = pitch[n];
	const lastPair = pairs[n + 1];
	let state = 0;
	for (let b = 0; b < pb.length; b++) {
		for (let c = 0; c < pc.length; c++, state++) {
			const base = cost[state] + lastPair[c];
			const kind = arrival[state];
			if (base >= least[kind]) continue;
			const total = base + threeCost(pb[b], pc[c], target) + arrivalCost[kind];
			if (total < least[kind]) {
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
			before = back[i][path[i - 2] * pitch[i].length + path[i - 1]];
		}
		return { cost: least[kind], path };
	});
}
