import { changeAt, chartTicks, type Change, type Chart } from '../chart';
import { lastAt } from '../kernel';
import { chordAfter } from '../harmony';
import { contourOf, type Contour } from './contour';
import { layOut, type Group, type Sketch } from './lay-out';
import type { Motif, Phrase, PhraseContext, PhraseProblem } from './types';

/** A stretch of time that a motif is laid on: ticks (`to` is exclusive), what sounds, and the hand's change. */
export type Span = {
	readonly from: number;
	readonly to: number;
	readonly event: Change['to'];
	readonly change: number;
};

/** Moments at which a chord ends, in order: changes, silences, the end of the chart. */
function endsOf(chart: Chart): readonly number[] {
	let found = ends.get(chart);
	if (!found) {
		const changes = chart.changes.map((change) => change.tick);
		const silences = chart.events.flatMap(({ chord, startTick }) => (chord ? [] : [startTick]));
		found = [...changes, ...silences, chartTicks(chart)].sort((a, b) => a - b);
		ends.set(chart, found);
	}
	return found;
}
const ends = new WeakMap<Chart, readonly number[]>();

/** When the chord that sounds at a tick gives way to another one, to silence, or to the end of the chart. */
export function chordEnd(chart: Chart, tick: number): number {
	const all = endsOf(chart);
	return all[Math.min(lastAt(all, tick) + 1, all.length - 1)]!;
}

function spanOf(chart: Chart, change: number): Span {
	const { tick, to } = chart.changes[change]!;
	return { from: tick, to: chordEnd(chart, tick), event: to, change };
}

/** How motifs go over chords, each chord before each other one but once: charts come back to theirs. */
function contours({
	chart,
	scales
}: PhraseContext): (motif: Motif, event: Span['event']) => Contour {
	const known = new Map<Motif, Map<string, Contour>>();
	return (motif, { index, chord }) => {
		const next = chordAfter(chart, index);
		const scale = scales[index] ?? null;
		const notes = scale?.notes.map((note) => note.name).join() ?? '';
		const name = `${chord.symbol} ${next?.symbol ?? ''} ${notes}`;
		let row = known.get(motif);
		if (!row) known.set(motif, (row = new Map()));
		let found = row.get(name);
		if (!found) row.set(name, (found = contourOf(motif, chord, scale, next)));
		return found;
	};
}

/** A motif over one chord, as a group of notes; what begins after the chord is over is left out. */
function overSpan(
	motif: Motif,
	context: PhraseContext,
	span: Span,
	contour: Contour,
	landings: ReadonlySet<number>
): Group {
	const { chart } = context;
	const { from, to, event, change } = span;
	const notes = motif.notes.flatMap((note, i): Sketch[] => {
		const tick = from + note.offsetTicks;
		if (tick < 0 || tick >= to) return [];
		// Before its own chord a displaced note sounds over the one before.
		const before = tick < from && changeAt(chart, tick);
		const sounding = before ? before.to : event;
		return [
			{
				tick,
				durationTicks: Math.max(1, Math.min(note.durationTicks, to - tick)),
				rise: contour.rise[i]!,
				name: contour.names[i]!,
				chord: sounding.chord,
				event: sounding.index,
				lands: landings.has(tick)
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

/** Lays motifs on stretches of time, one after another, and says what had to give way. */
export function layMotif(
	laid: readonly { readonly motif: Motif; readonly span: Span }[],
	context: PhraseContext
): Phrase {
	const over = contours(context);
	const landings = new Set(context.chart.changes.map((change) => change.tick));
	const groups = laid.map(({ motif, span }) =>
		overSpan(motif, context, span, over(motif, span.event), landings)
	);
	const { notes, problems } = layOut(context.instrument, groups);
	const cut: PhraseProblem[] = [];
	let at = 0;
	groups.forEach((group, i) => {
		const { motif, span } = laid[i]!;
		const missing = motif.notes.length - group.notes.length;
		at += group.notes.length;
		if (missing > 0) {
			const what = missing === 1 ? 'one note' : `${missing} notes`;
			const message = `${span.event.symbol} is over before the motif is: ${what} left out.`;
			cut.push({ index: at, message });
		}
	});
	const all = [...problems, ...cut].sort((a, b) => a.index - b.index);
	return { notes: parted([...notes].sort((a, b) => a.tick - b.tick)), problems: all };
}

/**
 * One motif on every change: the same roles, degrees or intervals over each chord's root, in its quality,
 * where the hand is. Chords too short for it get its beginning.
 */
export const mirror = (
	motif: Motif,
	context: PhraseContext,
	changes: readonly number[] = context.chart.changes.map((change) => change.index)
): Phrase =>
	layMotif(
		changes.map((change) => ({ motif, span: spanOf(context.chart, change) })),
		context
	);
