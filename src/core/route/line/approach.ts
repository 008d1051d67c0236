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

/**
 * The way of arriving: both neighbours first (within a whole tone on either side) is an enclosure; else
 * the last note decides: a half step, a whole step, a leap from a tone of its chord, or something else.
 * @param before pitch of the second-last note, null when there is none
 */
export function approachOf(
	before: number | null,
	last: number,
	lastIsChordTone: boolean,
	target: number
): Approach {
	const gap = target - last;
	const size = Math.abs(gap);
	if (before !== null && size > 0 && size <= 2) {
		const other = target - before;
		if (other !== 0 && Math.abs(other) <= 2 && Math.sign(other) !== Math.sign(gap)) {
			return 'enclosure';
		}
	}
	if (size === 1) return gap > 0 ? 'half-below' : 'half-above';
	if (size === 2) return 'step';
	return size > 2 && size <= 12 && lastIsChordTone ? 'leap' : 'other';
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
