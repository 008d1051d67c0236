import { msPerTick } from '../kernel';
import type { Chart } from '../chart';
import { scalesAlong, checkLine } from '../route';
import { scaleInUse } from '../harmony';
import { soundingOf } from './due';
import { inOrder, judge } from './judge';
import { summarise, type TakeSummary } from './summary';
import type { JudgeRequest, Judgement, PlayedEvent } from './types';

/** A note of a take on the ticks of the chart, as performed, in its time through (from 0). */
type TakeNote = {
	readonly tick: number;
	readonly durationTicks: number;
	readonly midi: number;
	readonly loop: number;
};

/** One take, judged and measured. Shares 0 … 1, pitches MIDI numbers, times ms. */
export type TakeView = {
	readonly judgement: Judgement;
	readonly summary: TakeSummary;
	readonly notes: readonly TakeNote[];
	/** Chord tones among the notes on strong beats. */
	readonly chordToneShare: number;
	readonly lowest: number | null;
	readonly highest: number | null;
};

const ticksPerMs = (tempo: number): number => 1 / msPerTick(tempo);

/** The notes of a take on the chart's ticks; what was played before and after is left out. */
export function passNotes(request: JudgeRequest): TakeNote[] {
	const sounding = soundingOf(request);
	const { loops, tempo, toleranceMs } = request;
	return inOrder(request).flatMap((event: PlayedEvent) => {
		// A note struck a little early belongs to the moment that it was meant for.
		const { tick, loop } = sounding.tickAt(Math.max(0, event.timeMs));
		if (event.timeMs < -toleranceMs || loop < 0 || loop >= loops) return [];
		const durationTicks = Math.max(1, event.durationMs * ticksPerMs(tempo));
		return [{ tick, durationTicks, midi: event.midi, loop }];
	});
}

/** On its nearest eighth or triplet: a line is judged by where its notes were meant. */
const settle = (tick: number): number => {
	const eighth = Math.round(tick / 240) * 240;
	const third = Math.round(tick / 160) * 160;
	return Math.abs(tick - third) < Math.abs(tick - eighth) ? third : eighth;
};

function chordToneShare(chart: Chart, request: JudgeRequest, notes: readonly TakeNote[]): number {
	const { scale } = scaleInUse(chart);
	const { metrics } = checkLine({
		chart,
		instrument: request.instrument,
		scales: scalesAlong(chart, scale, 'one'),
		position: null,
		notes: notes.map((note) => ({
			tick: settle(note.tick),
			durationTicks: Math.max(1, Math.round(note.durationTicks)),
			midi: note.midi
		}))
	});
	return metrics.chordToneOnStrongBeatsShare;
}

/** Judges a take and measures what two takes are compared by. */
export function viewTake(request: JudgeRequest): TakeView {
	const judgement = judge(request);
	const notes = passNotes(request);
	const pitches = notes.map(({ midi }) => midi);
	return {
		judgement,
		summary: summarise(request.chart, judgement, request.rules.colours),
		notes,
		chordToneShare: chordToneShare(request.chart, request, notes),
		lowest: pitches.length > 0 ? Math.min(...pitches) : null,
		highest: pitches.length > 0 ? Math.max(...pitches) : null
	};
}

/** Which of two takes follows the changes better, and why: 0 the first, 1 the second, null neither. */
export type Comparison = { readonly better: 0 | 1 | null; readonly reasons: readonly string[] };

const percent = (share: number): string => `${Math.round(100 * share)} %`;
/** Differences too small to hear. */
const [SHARE, MS] = [0.03, 6];

/**
 * Compares two takes: landings first, then chord tones on strong beats, then the spread of the timing.
 * The first that differs decides; every one that differs is a reason.
 */
export function compareTakes(a: TakeView, b: TakeView): Comparison {
	const reasons: string[] = [];
	let better: 0 | 1 | null = null;
	const weigh = (first: number, second: number, least: number, says: (winner: 0 | 1) => string) => {
		if (Math.abs(first - second) < least) return;
		const winner = first > second ? 0 : 1;
		better ??= winner;
		reasons.push(says(winner));
	};
	const both = [a, b] as const;
	const landed = ({ summary: { landed, asked } }: TakeView) => `${landed} of ${asked}`;
	weigh(
		a.summary.landedShare,
		b.summary.landedShare,
		SHARE,
		(winner) => `It lands ${landed(both[winner])} changes, the other ${landed(both[1 - winner]!)}.`
	);
	weigh(
		a.chordToneShare,
		b.chordToneShare,
		SHARE,
		(winner) =>
			`${percent(both[winner].chordToneShare)} chord tones on strong beats against ${percent(both[1 - winner]!.chordToneShare)}.`
	);
	const [one, two] = both.map(({ summary }) => summary.spreadMs);
	if (one != null && two != null) {
		weigh(-one, -two, MS, (winner) => {
			const [near, wide] = winner === 0 ? ([one, two] as const) : ([two, one] as const);
			return `Its landings scatter by ${Math.round(near)} ms, the other’s by ${Math.round(wide)} ms.`;
		});
	}
	return { better, reasons };
}
