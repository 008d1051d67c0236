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
function alike(a: readonly number[], b: readonly number[]): boolean {
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

/** Price of the turn that two ways in a row make at the target between them. */
export const turnAtTarget = (before: readonly number[], after: readonly number[]): number =>
	threeCost(before[before.length - 2], before[before.length - 1], after[1]);

/** Price of playing the same intervals twice in a row. */
export const sameIntervals = (before: readonly number[], after: readonly number[]): number =>
	alike(before, after) ? LINE.sameIntervals : 0;

/** Price of arriving the same way again. */
export const repeatCost = (older: number, before: number, now: number): number => {
	if (now === NONE) return 0;
	if (now === before) return LINE.sameApproach;
	return now === older ? LINE.sameAsBefore : 0;
};

/**
 * Chooses the class of arrival of every stretch, so that approaches vary along the line: dynamic
 * programming whose state is the last two classes. Exact for the ways given.
 * @returns a class per stretch; `APPROACHES.length` where a stretch has no notes
 */
export function weave(strands: readonly Strand[]): number[] {
	if (strands.length === 0) return [];
	const size = CLASSES + 1;
	const kindsOf = ({ ways }: Strand): number[] => {
		const kinds = ways.flatMap((way, kind) => (way ? [kind] : []));
		return kinds.length > 0 ? kinds : [NONE];
	};
	let kinds = kindsOf(strands[0]);
	/** `total[older * size + before]`. */
	let total = new Float64Array(size * size).fill(Infinity);
	for (const kind of kinds) total[NONE * size + kind] = strands[0].ways[kind]?.cost ?? 0;
	let olders: number[] = [NONE];
	const back: Uint8Array[] = [];
	for (let i = 1; i < strands.length; i++) {
		const [last, strand] = [strands[i - 1], strands[i]];
		const next = new Float64Array(size * size).fill(Infinity);
		const from = new Uint8Array(size * size);
		const nextKinds = kindsOf(strand);
		for (const before of kinds) {
			for (const kind of nextKinds) {
				const [a, b] = [last.pitches(before), strand.pitches(kind)];
				const alike = strand.set ? 0 : sameIntervals(a, b);
				const own = (strand.ways[kind]?.cost ?? 0) + turnAtTarget(a, b) + alike;
				for (const older of olders) {
					const again = strand.set ? 0 : repeatCost(older, before, kind);
					const sum = total[older * size + before] + own + again;
					if (sum < next[before * size + kind]) {
						next[before * size + kind] = sum;
						from[before * size + kind] = older;
					}
				}
			}
		}
		total = next;
		back.push(from);
		[olders, kinds] = [kinds, nextKinds];
	}
	let end = 0;
	for (let state = 1; state < total.length; state++) if (total[state] < total[end]) end = state;
	const chosen = [end % size];
	let before = Math.floor(end / size);
	for (let i = strands.length - 1; i >= 1; i--) {
		const older = back[i - 1][before * size + chosen[0]];
		chosen.unshift(before);
		before = older;
	}
	return chosen;
}
