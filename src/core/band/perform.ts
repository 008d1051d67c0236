import { barIndexAt, chartTicks, type Chart } from '../chart';
import { searchBy } from '../kernel';
import type { Band } from './band';
import { clickBar, countIn, type Click } from './click';
import { extendRun, runEnd, secondsAt, type Run, type Segment } from './run';
import { curveOf, type CurvePoint, type Stroke } from './strokes';
import { swung, type Swing } from './swing';
import type { Part } from './types';

/** What is played: the band, the line over it, the click, and how eighths swing. */
export type Score = {
	readonly band: Band;
	readonly strokes: readonly Stroke[];
	readonly click: Click;
	readonly swing: Swing;
};

/** A note on the audio clock. `at` is its tick in the run, by which later changes find it. */
export type TimedNote = {
	readonly part: Part;
	readonly at: number;
	readonly seconds: number;
	readonly duration: number;
	readonly midi: number;
	readonly velocity: number;
	/** How the pitch moves while it sounds; empty where it stays. */
	readonly curve: readonly CurvePoint[];
	/** It belongs to the count-in. */
	readonly counted: boolean;
};

/** Seconds that a muted string sounds at most. */
const DAMPED = { palm: 0.22, dead: 0.045 } as const;

/** When a written tick of the chart is played, in ticks: swing and nothing else. */
export function performed(chart: Chart, tick: number, swing: Swing): number {
	const bar = chart.played[barIndexAt(chart, tick)];
	if (!bar) return tick;
	return bar.startTick + swung(tick - bar.startTick, swing, bar.signature);
}

type Struck = {
	readonly part: Part;
	readonly tick: number;
	readonly durationTicks: number;
	readonly midi: number;
	readonly velocity: number;
	readonly delayMs?: number;
	readonly stroke?: Stroke;
};

const { firstFrom } = searchBy((stroke: Stroke) => stroke.tick);

/** Where the music goes at a segment's end, in ticks of the chart; null where it only goes on, or ends. */
function goesTo(run: Run, segment: Segment, end: number): number | null {
	const at = segment.at + segment.length;
	const { segments } = extendRun(run, at + 1);
	const next = segments.find((other) => other.at === at)?.tick ?? null;
	// After its end a chart begins anew: the band knows that.
	return next === end || (next === 0 && end === chartTicks(run.chart)) ? null : next;
}

/** The notes of one bar of a segment, in ticks of the chart. */
function* draftsOf(score: Score, run: Run, segment: Segment, index: number): Generator<Struck> {
	const { band, strokes, click } = score;
	const bar = band.chart.played[index]!;
	const from = segment.tick ?? 0;
	const entered = bar.startTick <= from;
	const end = bar.startTick + bar.lengthTicks;
	const goes = end === from + segment.length ? goesTo(run, segment, end) : null;
	yield* band.bar(index, segment.round, entered, goes);
	yield* clickBar(click, bar);
	for (let i = firstFrom(strokes, bar.startTick); i < strokes.length; i++) {
		const stroke = strokes[i]!;
		if (stroke.tick >= end) break;
		if (stroke.round !== undefined && stroke.round !== segment.round) continue;
		yield { part: 'line', ...stroke, stroke };
	}
}

/**
 * The notes that are struck between two ticks of a run, `from` inclusive and `to` exclusive, in order of
 * time. Nothing rings on over the end of a loop.
 * @returns the notes and the run, extended as far as it was needed
 */
export function notesBetween(
	score: Score,
	run: Run,
	from: number,
	to: number
): { readonly notes: TimedNote[]; readonly run: Run } {
	const grown = extendRun(run, to);
	const { chart } = score.band;
	const notes: TimedNote[] = [];
	const last = Math.min(to, runEnd(grown));
	for (const segment of grown.segments) {
		if (segment.at >= last || segment.at + segment.length <= from) continue;
		if (segment.tick === null) {
			countNotes(grown, segment, from, last, notes);
			continue;
		}
		const start = segment.tick;
		const end = start + segment.length;
		const heardFrom = start + Math.max(0, from - segment.at);
		const heardTo = Math.min(end, start + last - segment.at);
		// A swung note may be written in the bar before the one that it is heard in, never later.
		const firstBar = Math.max(barIndexAt(chart, start), barIndexAt(chart, heardFrom - 1));
		for (let index = firstBar; index < chart.played.length; index++) {
			if (chart.played[index]!.startTick >= heardTo) break;
			for (const draft of draftsOf(score, grown, segment, index)) {
				const played = performed(chart, draft.tick, score.swing);
				if (draft.tick < start || played < heardFrom || played >= heardTo) continue;
				const until = draft.tick + draft.durationTicks;
				const stops = Math.min(end, performed(chart, until, score.swing));
				const at = segment.at + played - start;
				const seconds = secondsAt(grown, at);
				const clock = (tick: number) =>
					secondsAt(grown, segment.at + performed(chart, tick, score.swing) - start) - seconds;
				notes.push({
					part: draft.part,
					at,
					seconds: seconds + (draft.delayMs ?? 0) / 1000,
					duration: Math.min(
						secondsAt(grown, segment.at + stops - start) - seconds,
						draft.stroke?.damped ? DAMPED[draft.stroke.damped] : Infinity
					),
					midi: draft.midi,
					velocity: draft.velocity,
					curve: draft.stroke ? curveOf(draft.stroke, clock) : [],
					counted: false
				});
			}
		}
	}
	notes.sort((a, b) => a.seconds - b.seconds);
	return { notes, run: grown };
}

/** The clicks of the count-in, bar by bar in the metre of the bar that follows. */
function countNotes(run: Run, segment: Segment, from: number, to: number, into: TimedNote[]): void {
	const next = run.segments.find((other) => other.at === segment.at + segment.length);
	const bar = run.chart.played[barIndexAt(run.chart, next?.tick ?? 0)];
	if (!bar) return;
	for (let start = segment.at; start < segment.at + segment.length; start += bar.lengthTicks) {
		for (const note of countIn(bar)) {
			const at = start + note.tick;
			if (at < from || at >= to) continue;
			const seconds = secondsAt(run, at);
			into.push({
				part: 'click',
				at,
				seconds,
				duration: secondsAt(run, at + note.durationTicks) - seconds,
				midi: note.midi,
				velocity: note.velocity,
				curve: [],
				counted: true
			});
		}
	}
}
