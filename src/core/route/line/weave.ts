import { APPROACHES } from './approach';
import type { Way } from './gap';
import { threeCost } from './motion';
import { LINE } from './line-prices';

/**
 * The ways of one stretch, by class of arrival: those that may be taken, and every one that was found.
 * `pitches[kind]` are the pitches of a way, the targets at both ends included; the last entry is the
 * stretch without notes between.
 */
export type Strand = {
	readonly ways: readonly (Way | null)[];
	/** Classes that it can arrive by; a strand without notes has the one that is none. */
	readonly kinds: readonly number[];
	readonly all: readonly (Way | null)[];
	readonly pitches: readonly (readonly number[])[];
	/** Every group of four intervals in `pitches[kind]`, each as one number. */
	readonly patterns: readonly (readonly number[])[];
	/** The player has set every note: its arrival is no choice and counts for nothing. */
	readonly set: boolean;
};

const CLASSES = APPROACHES.length;
const NONE = CLASSES;

/** Intervals that must agree for two ways to sound alike, and the share of them. */
const ALIKE_FROM = 4;
const ALIKE = 0.75;

/** True when two stretches have the same intervals, counted back from their targets. */
function alike(a: readonly number[], b: readonly number[]): boolean {
	const count = Math.min(a.length, b.length) - 1;
	if (count < ALIKE_FROM) return false;
	let misses = Math.floor((1 - ALIKE) * count);
	for (let k = 1; k <= count; k++) {
		const first = a[a.length - k]! - a[a.length - k - 1]!;
		const second = b[b.length - k]! - b[b.length - k - 1]!;
		if (first !== second && --misses < 0) return false;
	}
	return true;
}

const joins = new WeakMap<Strand, Map<Strand, readonly number[]>>();

/** Prices of joining the ways of two strands, `[kind * SIZE + next]`; remembered while both live. */
function joinTable(a: Strand, b: Strand): readonly number[] {
	let row = joins.get(a);
	if (!row) joins.set(a, (row = new Map()));
	const known = row.get(b);
	if (known) return known;
	const table = FROM_NONE.slice();
	for (const before of a.kinds) {
		for (const kind of b.kinds) {
			const [x, y] = [a.pitches[before]!, b.pitches[kind]!];
			table[before * SIZE + kind] = turnAtTarget(x, y) + (b.set ? 0 : sameIntervals(x, y));
		}
	}
	row.set(b, table);
	return table;
}

/** Price of the turn at the target between two strands, and of the same intervals after it, by how each arrives. */
export const joinCost = (a: Strand, before: number, b: Strand, kind: number): number =>
	joinTable(a, b)[before * SIZE + kind]!;

/** The classes that some ways arrive by. */
export function kindsOf(ways: Strand['ways']): number[] {
	const kinds: number[] = [];
	ways.forEach((way, kind) => way && kinds.push(kind));
	return kinds.length > 0 ? kinds : [NONE];
}

/** Price of the turn that two ways in a row make at the target between them. */
export const turnAtTarget = (before: readonly number[], after: readonly number[]): number =>
	threeCost(before[before.length - 2]!, before[before.length - 1]!, after[1]!);

/** Price of playing the same intervals twice in a row. */
export const sameIntervals = (before: readonly number[], after: readonly number[]): number =>
	alike(before, after) ? LINE.sameIntervals : 0;

/** States of the search by one class: every class, and none. */
const SIZE = CLASSES + 1;

/** Price of arriving the same way again. */
export const repeatCost = (older: number, before: number, now: number): number => {
	if (now === NONE) return 0;
	if (now === before) return LINE.sameApproach;
	return now === older ? LINE.sameAsBefore : 0;
};

const AGAIN = Int32Array.from({ length: SIZE ** 3 }, (_, i) =>
	repeatCost(Math.floor(i / SIZE ** 2), Math.floor(i / SIZE) % SIZE, i % SIZE)
);

/** The cheapest ways to a strand of a line, by the last two classes; and where each came from. */
type Woven = {
	readonly strand: Strand;
	/** Classes before the last; the last ones are the strand's own. */
	readonly olders: readonly number[];
	/** `[older * SIZE + before]`. */
	readonly total: readonly number[];
	/** `[before * SIZE + kind]`: the class before both. */
	readonly from: readonly number[];
	readonly past: Woven | null;
	/** What it went on to, so that a line that begins alike is not woven again. */
	readonly next: Map<Strand, Woven>;
};

const begun = new WeakMap<Strand, Woven>();

/** No way leads anywhere yet, and none comes from anywhere: copied for each strand. */
const NOWHERE = new Array<number>(SIZE * SIZE).fill(Infinity);
const FROM_NONE = new Array<number>(SIZE * SIZE).fill(0);

function begin(strand: Strand): Woven {
	const known = begun.get(strand);
	if (known) return known;
	const total = NOWHERE.slice();
	for (const kind of strand.kinds) total[NONE * SIZE + kind] = strand.ways[kind]?.cost ?? 0;
	const made: Woven = {
		strand,
		olders: [NONE],
		total,
		from: FROM_NONE,
		past: null,
		next: new Map()
	};
	begun.set(strand, made);
	return made;
}

/** One strand on, woven once. */
function goOn(past: Woven, strand: Strand): Woven {
	let made = past.next.get(strand);
	if (!made) past.next.set(strand, (made = onward(past, strand)));
	return made;
}

function onward(past: Woven, strand: Strand): Woven {
	const { total: before, olders } = past;
	const total = NOWHERE.slice();
	const from = FROM_NONE.slice();
	const table = joinTable(past.strand, strand);
	for (const kind of past.strand.kinds) {
		// Only coming back to the class of the time before sets one older class apart from the others:
		// the two cheapest of them are enough.
		let first = olders[0]!;
		let second = -1;
		for (let o = 1; o < olders.length; o++) {
			const older = olders[o]!;
			const sum = before[older * SIZE + kind]!;
			if (sum < before[first * SIZE + kind]!) {
				second = first;
				first = older;
			} else if (second < 0 || sum < before[second * SIZE + kind]!) second = older;
		}
		for (const next of strand.kinds) {
			const own = (strand.ways[next]?.cost ?? 0) + table[kind * SIZE + next]!;
			let older = first;
			let best = before[first * SIZE + kind]!;
			if (!strand.set) {
				best += AGAIN[(first * SIZE + kind) * SIZE + next]!;
				if (second >= 0) {
					const other =
						before[second * SIZE + kind]! + AGAIN[(second * SIZE + kind) * SIZE + next]!;
					if (other < best) [older, best] = [second, other];
				}
			}
			total[kind * SIZE + next] = best + own;
			from[kind * SIZE + next] = older;
		}
	}
	return { strand, olders: past.strand.kinds, total, from, past, next: new Map() };
}

/**
 * Chooses the class of arrival of every stretch, so that approaches vary along the line: dynamic
 * programming whose state is the last two classes. Exact for the ways given.
 * @returns a class per stretch; `APPROACHES.length` where a stretch has no notes
 */
export function weave(strands: readonly Strand[]): number[] {
	const [first, ...others] = strands;
	if (!first) return [];
	const last = others.reduce(goOn, begin(first));
	let end = 0;
	for (let state = 1; state < last.total.length; state++) {
		if (last.total[state]! < last.total[end]!) end = state;
	}
	const chosen = [end % SIZE];
	let before = Math.floor(end / SIZE);
	for (let at = last; at.past; at = at.past) {
		const older = at.from[before * SIZE + chosen[chosen.length - 1]!]!;
		chosen.push(before);
		before = older;
	}
	return chosen.reverse();
}
