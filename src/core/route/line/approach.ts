import type { Chart } from '../../chart';
import { toneAt } from '../../chord';
import type { LineNote } from './types';

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

const [BELOW, ABOVE, STEP, ENCLOSURE, LEAP, OTHER] = APPROACHES.keys();

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

/**
 * How each target of a line is reached, in order of the targets; null where no note leads there. The
 * first target is reached from the line's end, because the chart loops.
 */
export function arrivalsOf(
	notes: readonly Pick<LineNote, 'midi' | 'kind' | 'chord'>[],
	chart: Chart
): (Approach | null)[] {
	return notes.flatMap((note, i) => {
		if (note.kind !== 'target') return [];
		const last = notes.at(i - 1);
		const before = notes.at(i - 2);
		if (!last || last.kind === 'target' || notes.length < 2) return [null];
		const second = before && before !== note && before.kind !== 'target' ? before.midi : null;
		const chord = chart.events[last.chord]?.chord;
		const isTone = chord ? toneAt(chord, last.midi) !== undefined : false;
		return [APPROACHES[approachIndex(second, last.midi, isTone, note.midi)]];
	});
}
