/** How a line arrives at a target, told from its last notes. */
export const APPROACHES = [
	'half-below',
	'half-above',
	'step',
	'enclosure',
	'leap',
	'other'
] as const;
export type Approach = (typeof APPROACHES)[number];

const [BELOW, ABOVE, STEP, ENCLOSURE, LEAP, OTHER] = [0, 1, 2, 3, 4, 5] as const;

/**
 * The way of arriving, as an index into `APPROACHES`: both neighbours first (within a whole tone on
 * either side) is an enclosure; else the last note decides: a half step, a whole step, a leap from a tone
 * of its chord, or something else.
 * @param before pitch of the second-last note, null when there is none
 */
export function approachIndex(
	before: number | null,
	last: number,
	lastIsChordTone: boolean,
	target: number
): number {
	const gap = target - last;
	const size = Math.abs(gap);
	if (size === 0 || size > 12) return OTHER;
	if (size > 2) return lastIsChordTone ? LEAP : OTHER;
	if (before !== null) {
		const other = target - before;
		if (other !== 0 && other >= -2 && other <= 2 && other > 0 !== gap > 0) return ENCLOSURE;
	}
	return size === 2 ? STEP : gap > 0 ? BELOW : ABOVE;
}

/** The way of arriving in words: `half step from below`. */
export const APPROACH_WORDS: Record<Approach, string> = {
	'half-below': 'half step from below',
	'half-above': 'half step from above',
	step: 'scale step',
	enclosure: 'enclosure',
	leap: 'leap from a chord tone',
	other: 'from afar'
};
