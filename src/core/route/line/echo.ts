import type { Candidate } from './pool';
import { LINE } from './line-prices';

/**
 * What a stretch takes up from an earlier one: the contour in scale steps from note to note. The last notes
 * are free, so that it can land elsewhere.
 */
export type Echo = { readonly steps: readonly (number | null)[] };

/** Price of the move into note `i` of a stretch for leaving what it echoes, in thousandths. */
export function echoCost(echo: Echo, i: number, from: Candidate, to: Candidate): number {
	const wanted = echo.steps[i];
	if (wanted === undefined || wanted === null) return 0;
	const off = Math.abs(to.rank - from.rank - wanted);
	return Math.min(LINE.echoMost, LINE.echoStep * off);
}

/** Notes before the target that an echo leaves free. */
const FREE = 2;

/** The contour of some notes in scale steps; the first move starts from a target and is free. */
export const contourOf = (notes: readonly Candidate[]): Echo => ({
	steps: notes
		.slice(0, Math.max(0, notes.length - FREE))
		.map((note, i) => (i === 0 ? null : note.rank - notes[i - 1]!.rank))
});
