import { APPROACHES } from './approach';
import type { Way } from './gap';
import { threeCost } from './motion';
import { LINE } from './weights';

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

const joins = new WeakMap<Strand, WeakMap<Strand, Float64Array>>();

/** Prices of joining the ways of two strands, `[kind * SIZE + next]`; remembered while both live. */
function joinTable(a: Strand, b: Strand): Float64Array {
	let row = joins.get(a);
	if (!row) joins.set(a, (row = new WeakMap()));
	const known = row.get(b);
	if (known) return known;
	const table = new Float64Array(SIZE * SIZE);
	for (const before of a.kinds) {
		for (const kind of b.kinds) {
			const [x, y] = [a.pitches[before]!, b.pitches[kind]!];
			table[before * SIZE + kind] = turnAtTarget(x, y) + (b.set ? 0 : sameIntervals(x, y));
		}
	}
	row.set(b, table);
	return table;
}

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

/**
 * Chooses the class of arrival of every stretch, so that approaches vary along the line: dynamic
 * programming whose state is the last two classes. Exact for the ways given.
 * @returns a class per stretch; `APPROACHES.length` where a stretch has no notes
 */
export function weave(strands: readonly Strand[]): number[] {
	if (strands.length === 0) return [];
	let kinds = strands[0]!.kinds;
	/** `total[older * SIZE + before]`. */
	let total = new Float64Array(SIZE * SIZE).fill(Infinity);
	let next = new Float64Array(SIZE * SIZE);
	for (const kind of kinds) total[NONE * SIZE + kind] = strands[0]!.ways[kind]?.cost ?? 0;
	let olders: readonly number[] = [NONE];
	const back: Uint8Array[] = [];
	for (let i = 1; i < strands.length; i++) {
		const strand = strands[i]!;
		const from = new Uint8Array(SIZE * SIZE);
		const nextKinds = strand.kinds;
		const table = joinTable(strands[i - 1]!, strand);
		next.fill(Infinity);
		for (const before of kinds) {
			// Only coming back to the class of the time before sets one older class apart from the others:
			// the two cheapest of them are enough.
			let first = olders[0]!;
			let second = -1;
			for (let o = 1; o < olders.length; o++) {
				const older = olders[o]!;
				const sum = total[older * SIZE + before]!;
				if (sum < total[first * SIZE + before]!) {
					second = first;
					first = older;
				} else if (second < 0 || sum < total[second * SIZE + before]!) second = older;
			}
			for (const kind of nextKinds) {
				const own = (strand.ways[kind]?.cost ?? 0) + table[before * SIZE + kind]!;
				let older = first;
				let best = total[first * SIZE + before]!;
				if (!strand.set) {
					best += AGAIN[(first * SIZE + before) * SIZE + kind]!;
					if (second >= 0) {
						const other =
							total[second * SIZE + before]! + AGAIN[(second * SIZE + before) * SIZE + kind]!;
						if (other < best) [older, best] = [second, other];
					}
				}
				next[before * SIZE + kind] = best + own;
				from[before * SIZE + kind] = older;
			}
		}
		[total, next] = [next, total];
		back.push(from);
		[olders, kinds] = [kinds, nextKinds];
	}
	let end = 0;
	for (let state = 1; state < total.length; state++) if (total[state]! < total[end]!) end = state;
	const chosen = [end % SIZE];
	let before = Math.floor(end / SIZE);
	for (let i = strands.length - 1; i >= 1; i--) {
		const older = back[i - 1]![before * SIZE + chosen[0]!]!;
		chosen.unshift(before);
		before = older;
	}
	return chosen;
}
