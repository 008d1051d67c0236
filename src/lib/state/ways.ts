import type { Anchors } from '$lib/api/route-schema';
import { chartTicks, type Chart } from '$core/chart';
import { playingOf, sameAnchor } from '$core/route';
import type { NoteAnswer } from '$lib/api/plan-schema';

type Anchor = Parameters<typeof sameAnchor>[0];

/** A note of the player's own: `offset` is in ticks after the change that its way begins with. */
export type WayNote = Anchors['frozen'][number]['notes'][number];

export const without = <T extends Anchor>(list: readonly T[], anchor: Anchor): T[] =>
	list.filter((other) => !sameAnchor(other, anchor));

/** Frozen ways with the note on one change left out: something else stands there now. */
export const withoutFirst = (frozen: Anchors['frozen'], anchor: Anchor): Anchors['frozen'] =>
	frozen.map((way) =>
		sameAnchor(way, anchor) ? { ...way, notes: way.notes.filter((note) => note.offset > 0) } : way
	);

/** From where to where the way after a change goes, in ticks; the end is exclusive. −1 is what comes before the first. */
export function wayOf(chart: Chart, change: number): { from: number; to: number } {
	const from = chart.changes[change]?.tick ?? 0;
	return { from, to: chart.changes[change + 1]?.tick ?? chartTicks(chart) };
}

/** The notes of a line on the way after a change, as they are, without the landing it begins with. */
export function wayNotes(chart: Chart, line: readonly NoteAnswer[], change: number): WayNote[] {
	const { from, to } = wayOf(chart, change);
	return line.flatMap((note) =>
		note.tick >= from && note.tick < to && note.kind !== 'target'
			? [
					{
						offset: note.tick - from,
						durationTicks: note.durationTicks,
						string: note.string,
						fret: note.fret,
						finger: note.finger,
						...playingOf(note)
					}
				]
			: []
	);
}
