import { joinCost, repeatCost, sameIntervals, type Strand } from './weave';
import { LINE } from './line-prices';

/** Intervals that make a pattern. */
const PATTERN = 4;
/** A pattern is a number of four digits, one an interval in semitones; so it is a small integer. */
const BASE = 128;

/** Every group of four intervals among some pitches, each as one number. */
export function patternsOf(pitches: readonly number[]): number[] {
	const found: number[] = [];
	for (let i = 0; i + PATTERN < pitches.length; i++) {
		let code = 0;
		for (let k = i; k < i + PATTERN; k++)
			code = BASE * code + ((pitches[k + 1]! - pitches[k]! + BASE / 2) & (BASE - 1));
		found.push(code);
	}
	return found;
}

/** A stretch as chosen: which strand of several, and its class of arrival. */
export type Choice = { readonly strand: Strand; readonly kind: number };

/**
 * Goes along a line and changes stretches that would repeat what was played before, where another way
 * of arriving costs little more. Stretches that are to stay as they are have `fixed`.
 */
export function varyPatterns(
	strands: readonly Strand[],
	kinds: readonly number[],
	fixed: (i: number) => boolean
): Choice[] {
	const chosen = strands.map((strand, i): Choice => ({ strand, kind: kinds[i]! }));
	const heard = new Set<number>();
	const repeats = (strand: Strand, kind: number): number => {
		let sum = 0;
		for (const code of strand.patterns[kind]!) if (heard.has(code)) sum++;
		return sum;
	};
	const kindAt = (i: number) => chosen[i]?.kind ?? -1;
	/** What a stretch costs that arrives in a way, with those around it as they are. */
	const costOf = (i: number, kind: number): number => {
		const { strand } = chosen[i]!;
		const [before, after] = [chosen[i - 1], chosen[i + 1]];
		let cost = (strand.ways[kind]?.cost ?? 0) + LINE.samePattern * repeats(strand, kind);
		if (before) cost += joinCost(before.strand, before.kind, strand, kind);
		if (after) {
			cost += joinCost(strand, kind, after.strand, after.kind);
			// The player's own notes are as alike to what comes before as any.
			if (after.strand.set)
				cost += sameIntervals(strand.pitches[kind]!, after.strand.pitches[after.kind]!);
		}
		const [first, second, third, last] = [
			kindAt(i - 2),
			kindAt(i - 1),
			kindAt(i + 1),
			kindAt(i + 2)
		];
		return (
			cost +
			repeatCost(first, second, kind) +
			repeatCost(second, kind, third) +
			repeatCost(kind, third, last)
		);
	};
	for (let i = 0; i < chosen.length; i++) {
		const { strand, kind: woven } = chosen[i]!;
		let kind = woven;
		if (!fixed(i) && strand.ways[woven] && repeats(strand, woven) > 0) {
			let least = costOf(i, woven);
			for (const other of strand.kinds) {
				if (other === woven) continue;
				const cost = costOf(i, other);
				if (cost < least) [kind, least] = [other, cost];
			}
			if (kind !== woven) chosen[i] = { strand, kind };
		}
		for (const pattern of strand.patterns[kind]!) heard.add(pattern);
	}
	return chosen;
}
