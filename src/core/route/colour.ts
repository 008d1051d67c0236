import type { Chart } from '../chart';
import type { Role } from '../chord';
import { chordAfter, noteVerdict, readOver, type Scale } from '../harmony';

/**
 * The role of a pitch over the chord of an event, where it is a colour of the scale there: 6, 9, 11, ♯11, 13, a seventh
 * over a triad, the tensions of a dominant that resolves.
 * @param scales by event of the chart
 * @returns null for tones of the chord, for what clashes or passes, and for what the scale lacks
 */
export function colourOver(
	chart: Chart,
	scales: readonly (Scale | null)[],
	event: number,
	midi: number
): Role | null {
	const chord = chart.events[event]?.chord;
	const degree = scales[event]?.notes.find((entry) => entry.pc === midi % 12);
	if (!chord || !degree) return null;
	const { verdict } = noteVerdict(degree.note, chord, chordAfter(chart, event));
	if (verdict !== 'colour') return null;
	const role = readOver(degree.note, chord) as Role;
	// A plain fourth is a tone of suspended chords.
	return role === '4' ? '11' : role;
}
