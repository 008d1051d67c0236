import { repeatCost, sameIntervals, turnAtTarget, type Strand } from './weave';
import { LINE } from './line-prices';

/** Intervals that make a pattern. */
const PATTERN = 4;

/** Every group of four intervals among some pitches, each as one number. */
export function patternsOf(pitches: readonly number[]): number[] {
	const found: number[] = [];
	for (let i = 0; i + PATTERN < pitches.length; i++) {
		let code = 0;
		for (let k = i; k < i + PATTERN; k++) code = 256 * code + pitches[k + 1]! - pitches[k]! + 128;
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
	const pitchesAt = (i: number) => chosen[i]?.strand.pitches[chosen[i].kind];
	chosen.forEach((choice, i) => {
		const repeats = ({ strand, kind }: Choice) =>
			strand.patterns[kind]!.reduce((sum, code) => sum + Number(heard.has(code)), 0);
		if (!fixed(i) && choice.strand.ways[choice.kind] && repeats(choice) > 0) {
			const [before, after] = [pitchesAt(i - 1), pitchesAt(i + 1)];
			const costOf = (option: Choice): number => {
				const pitches = option.strand.pitches[option.kind]!;
				const join = (a: readonly number[], b: readonly number[]) =>
					turnAtTarget(a, b) + sameIntervals(a, b);
				const around = [i - 2, i - 1, i, i + 1, i + 2].map((k) =>
					k === i ? option.kind : (chosen[k]?.kind ?? -1)
				);
				return (
					(option.strand.ways[option.kind]?.cost ?? 0) +
					(before ? join(before, pitches) : 0) +
					(after ? join(pitches, after) : 0) +
					repeatCost(around[0]!, around[1]!, around[2]!) +
					repeatCost(around[1]!, around[2]!, around[3]!) +
					repeatCost(around[2]!, around[3]!, around[4]!) +
					LINE.samePattern * repeats(option)
				);
			};
			let least = costOf(choice);
			choice.strand.ways.forEach((way, kind) => {
				const option = { strand: choice.strand, kind };
				const cost = way ? costOf(option) : Infinity;
				if (cost < least) [chosen[i], least] = [option, cost];
			});
		}
		for (const pattern of chosen[i]!.strand.patterns[chosen[i]!.kind]!) heard.add(pattern);
	});
	return chosen;
}
