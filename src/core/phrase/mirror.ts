import { chartTicks, type Chart } from '../chart';
import { chordAfter } from '../harmony';
import { contourOf } from './contour';
import { layOut, type Group, type Sketch } from './lay-out';
import type { Motif, Phrase, PhraseContext, PhraseProblem } from './types';

/** From where to where a change's chord sounds; the last one to the end of the chart. */
const stretchOf = (chart: Chart, change: number) => ({
	from: chart.changes[change].tick,
	to: chart.changes[change + 1]?.tick ?? chartTicks(chart)
});

/** A motif over one change, as a group of notes; what begins after the chord is over is left out. */
function overChange(motif: Motif, context: PhraseContext, change: number): Group {
	const { chart, scales } = context;
	const { from, to } = stretchOf(chart, change);
	const event = chart.changes[change].to;
	const next = chordAfter(chart, event.index);
	const contour = contourOf(motif, event.chord, scales[event.index] ?? null, next);
	const notes = motif.notes.flatMap((note, i): Sketch[] => {
		const tick = from + note.offsetTicks;
		if (tick < 0 || tick >= to) return [];
		// Before its own chord a displaced note sounds over the one before.
		const sounding = tick < from ? (chart.changes[change - 1]?.to ?? event) : event;
		return [
			{
				tick,
				durationTicks: Math.max(1, Math.min(note.durationTicks, to - tick)),
				rise: contour.rise[i],
				name: contour.names[i],
				chord: sounding.chord,
				event: sounding.index,
				lands: tick === from
			}
		];
	});
	const position = context.handAt(change);
	return { notes, first: contour.first, position, wished: null, exact: false };
}

/** Notes never overlap: one that is still sounding gives way to the next. */
function parted<T extends { tick: number; durationTicks: number }>(notes: readonly T[]): T[] {
	return notes.map((note, i) => {
		const next = notes[i + 1];
		if (!next || note.tick + note.durationTicks <= next.tick) return note;
		return { ...note, durationTicks: Math.max(1, next.tick - note.tick) };
	});
}

/**
 * One motif on every change: the same roles, degrees or intervals over each chord's root, in its quality,
 * where the hand is. Chords too short for it get its beginning.
 */
export function mirror(
	motif: Motif,
	context: PhraseContext,
	changes: readonly number[] = context.chart.changes.map((change) => change.index)
): Phrase {
	const groups = changes.map((change) => overChange(motif, context, change));
	const { notes, problems } = layOut(context.instrument, groups);
	const cut: PhraseProblem[] = [];
	let at = 0;
	groups.forEach((group, i) => {
		const missing = motif.notes.length - group.notes.length;
		at += group.notes.length;
		if (missing > 0) {
			const { symbol } = context.chart.changes[changes[i]].to;
			const what = missing === 1 ? 'one note' : `${missing} notes`;
			cut.push({ index: at, message: `${symbol} is over before the motif is: ${what} left out.` });
		}
	});
	const all = [...problems, ...cut].sort((a, b) => a.index - b.index);
	return { notes: parted([...notes].sort((a, b) => a.tick - b.tick)), problems: all };
}
