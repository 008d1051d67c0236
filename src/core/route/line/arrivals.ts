import type { Chart } from '../../chart';
import { toneAt } from '../../chord';
import type { LineNote } from './types';
import { type Approach, approachIndex, APPROACHES } from './approach';

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
		return [APPROACHES[approachIndex(second, last.midi, isTone, note.midi)]!];
	});
}
