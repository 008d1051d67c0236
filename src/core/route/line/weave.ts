import { APPROACHES } from './approach';
import type { Way } from './gap';
import { threeCost } from './motion';
import { LINE } from './weights';

/** The ways of one stretch, by class of arrival, with what the join to its neighbours needs. */
export type Strand = {
	readonly ways: readonly (Way | null)[];
	/** Pitches of a way, the targets at both ends included. */
	readonly pitches: (kind: number) => readonly number[];
	/** The player has set every note: its arrival is no choice and counts for nothing. */
	readonly set: boolean;
};

const CLASSES = APPROACHES.length;
const NONE = CLASSES;

/** Intervals that must agree for two ways to sound alike, and the share of them. */
const ALIKE_FROM = 4;
const ALIKE = 0.75;

/** True when two stretches have the same intervals, counted back from their targets. */
export function alike(a: readonly number[], b: readonly number[]): boolean {
	const count = Math.min(a.length, b.length) - 1;
	if (count < ALIKE_FROM) return false;
	let same = 0;
	for (let k = 1; k <= count; k++) {
		const first = a[a.length - k] - a[a.length - k - 1];
		const second = b[b.length - k] - b[b.length - k - 1];
		if (first === second) same++;
	}
	return same >= ALIKE * count;
}

/** What two ways in a row cost together: the same arrival, the same intervals, a turn at the target. */
export function joinCost(
	before: readonly number[],
	after: readonly number[]
): { contour: number; variety: number } {
	const n = before.length;
	return {
		contour: threeCost(before[n - 2], before[n - 1], after[1]),
		variety: alike(before, after) ? LINE.sameIntervals : 0
	};
}

/** Price of arriving the same way again. */
export const repeatCost = (older: number, before: number, now: number): number => {
	if (now === NONE) return 0;
	if (now === before) return LINE.sameApproach;
	return now === older ? LINE.sameAsBefore : 0;
};

/** Classes that a strand can arrive by; a strand without notes has the one that is none. */
const kindsOf = ({ ways }: Strand): number[] => {
	const kinds = ways.flatMap((way, kind) => (way ? [kind] : []));
	return kinds.length > 0 ? kinds : [NONE];
};

/**
 * Chooses the class of arrival of every stretch, so that approaches vary along the line: dynamic
 * programming whose state is the last two classes. Exact for the ways given.
 * @returns a class per stretch; `APPROACHES.length` where a stretch has no notes
 */
export function weave(strands: readonly Strand[]): number[] {
	if (strands.length === 0) return [];
	const wayCost = (strand: Strand, kind: number) => strand.ways[kind]?.cost ?? 0;
	const size = CLASSES + 1;
	let total = new Map<number, number>();
	const back: Map<number, number>[] = [];
	for (const kind of kindsOf(strands[0])) {
		total.set(NONE * size + kind, wayCost(strands[0], kind));
	}
	for (let i = 1; i < strands.length; i++) {
		const [last, strand] = [strands[i - 1], strands[i]];
		const next = new Map<number, number>();
		const from = new Map<number, number>();
		const joins = new Map<number, number>();
		for (const [state, cost] of total) {
			const [older, before] = [Math.floor(state / size), state % size];
			for (const kind of kindsOf(strand)) {
				const pair = before * size + kind;
				let join = joins.get(pair);
				if (join === undefined) {
					const { contour, variety } = joinCost(last.pitches(before), strand.pitches(kind));
					joins.set(pair, (join = contour + (strand.set ? 0 : variety)));
				}
				const again = strand.set ? 0 : repeatCost(older, before, kind);
				const sum = cost + join + again + wayCost(strand, kind);
				if (sum < (next.get(pair) ?? Infinity)) {
					next.set(pair, sum);
					from.set(pair, state);
				}
			}
		}
		total = next;
		back.push(from);
	}
	let end = -1;
	let least = Infinity;
	for (const [state, cost] of total) if (cost < least) [end, least] = [state, cost];
	const kinds: number[] = [];
	for (let i = strands.length - 1; i >= 0; i--) {
		kinds[i] = end % size;
		end = back[i - 1]?.get(end) ?? -1;
	}
	return kinds;
}
