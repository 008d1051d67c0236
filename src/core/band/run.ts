import { barAt, chartTicks, type Chart } from '../chart';
import { msPerTick } from '../kernel';

/** Bounds of the speed in per cent of the tune's tempo. */
export const SPEED = { least: 30, most: 130 } as const;

/** Bars of a chart that are played again and again: indices `from` … `to` − 1. */
export type BarRange = { readonly from: number; readonly to: number };

/** Ticks of a chart, end exclusive. */
type Stretch = { readonly from: number; readonly to: number };

/**
 * A stretch of the run: `at` … `at + length` are ticks since the run began, which only ever grow;
 * `tick` is where in the chart it starts, null while it is counted in. `round` counts times through.
 */
export type Segment = {
	readonly at: number;
	readonly length: number;
	readonly tick: number | null;
	readonly round: number;
};

/** From this tick of the run on, heard at this second of the audio clock, a tick lasts so long. */
type Anchor = { readonly at: number; readonly seconds: number; readonly perTick: number };

/**
 * What is being played: which stretches of the chart follow one another, and when. Plain data: every change
 * of tempo or loop gives a new run that agrees with the old one up to the moment of the change.
 */
export type Run = {
	readonly chart: Chart;
	/** What is repeated; null plays to the end of the chart. */
	readonly loop: Stretch | null;
	/** Times through before the end; Infinity goes on. */
	readonly rounds: number;
	readonly segments: readonly Segment[];
	readonly anchors: readonly Anchor[];
};

/** Seconds of a tick at a tempo. */
const perTick = (quartersAMinute: number): number => msPerTick(quartersAMinute) / 1000;

/** Ticks of a range of bars; the whole chart where the range is null or outside it. */
export function ticksOf(chart: Chart, range: BarRange | null): Stretch {
	const { played } = chart;
	const whole = { from: 0, to: chartTicks(chart) };
	if (!range || range.from >= range.to || range.to > played.length || range.from < 0) return whole;
	const last = played[range.to - 1]!;
	return { from: played[range.from]!.startTick, to: last.startTick + last.lengthTicks };
}

/** Where a run begins and how it goes on. */
export type RunStart = {
	/** Second of the audio clock at which the count-in, or the first bar, begins. */
	readonly seconds: number;
	readonly tempo: number;
	readonly loop: BarRange | null;
	/** Bar to begin with; the loop's first without it. */
	readonly bar?: number;
	readonly countInBars: number;
	readonly rounds?: number;
};

/** Begins a run: bars of count-in in the metre of the first bar, then the music. */
export function beginRun(chart: Chart, start: RunStart): Run {
	const loop = ticksOf(chart, start.loop);
	const first = chart.played[start.bar ?? -1]?.startTick ?? loop.from;
	const tick = first >= loop.from && first < loop.to ? first : loop.from;
	const bar = chart.played.find((played) => played.startTick + played.lengthTicks > tick);
	const count = start.countInBars * (bar?.lengthTicks ?? 0);
	const counted: Segment[] = count > 0 ? [{ at: 0, length: count, tick: null, round: 0 }] : [];
	return {
		chart,
		loop,
		rounds: start.rounds ?? Infinity,
		segments: [...counted, { at: count, length: loop.to - tick, tick, round: 0 }],
		anchors: [{ at: 0, seconds: start.seconds, perTick: perTick(start.tempo) }]
	};
}

const endOf = (segment: Segment): number => segment.at + segment.length;

/** Goes on until the run reaches a tick of its own, or its end. */
export function extendRun(run: Run, until: number): Run {
	const last = run.segments[run.segments.length - 1]!;
	if (endOf(last) >= until || !run.loop) return run;
	const length = run.loop.to - run.loop.from;
	if (length <= 0) return run;
	const segments = [...run.segments];
	for (let before = last; endOf(before) < until;) {
		const round = before.tick === null ? before.round : before.round + 1;
		if (round >= run.rounds) break;
		before = { at: endOf(before), length, tick: run.loop.from, round };
		segments.push(before);
	}
	return { ...run, segments };
}

/** The end of the run in its own ticks; Infinity while it goes round. */
export function runEnd(run: Run): number {
	if (run.rounds === Infinity) return Infinity;
	const last = run.segments[run.segments.length - 1]!;
	const length = run.loop ? run.loop.to - run.loop.from : 0;
	return endOf(last) + Math.max(0, run.rounds - 1 - last.round) * length;
}

const anchorFor = (run: Run, has: (anchor: Anchor) => boolean): Anchor =>
	run.anchors.findLast(has) ?? run.anchors[0]!;

/** Second of the audio clock at which a tick of the run sounds. */
export function secondsAt(run: Run, at: number): number {
	const anchor = anchorFor(run, (other) => other.at <= at);
	return anchor.seconds + (at - anchor.at) * anchor.perTick;
}

/** Tick of the run at a second of the audio clock; before the beginning it is negative. */
export function ticksAt(run: Run, seconds: number): number {
	const anchor = anchorFor(run, (other) => other.seconds <= seconds);
	return anchor.at + (seconds - anchor.seconds) / anchor.perTick;
}

/** The segment that a tick of the run falls into; the run must reach it. */
export const segmentAt = (run: Run, at: number): Segment | undefined =>
	run.segments.find((segment) => at >= segment.at && at < endOf(segment));

/** From a tick of the run on, another tempo; what sounded before stays where it was. */
export function withTempo(run: Run, at: number, tempo: number): Run {
	const from = Math.max(0, at);
	const seconds = secondsAt(run, from);
	const kept = run.anchors.filter((anchor) => anchor.at < from);
	return { ...run, anchors: [...kept, { at: from, seconds, perTick: perTick(tempo) }] };
}

/**
 * From a tick of the run on, another loop: inside it the music goes on to its end and then around; from
 * outside it plays the bar to its end and then goes there. No beat is cut or lengthened.
 */
export function withLoop(run: Run, at: number, range: BarRange | null): Run {
	const { chart } = run;
	const loop = ticksOf(chart, range);
	const grown = extendRun(run, at + 1);
	const index = grown.segments.findIndex((segment) => at < endOf(segment));
	const here = grown.segments[index];
	if (!here) return { ...run, loop };
	if (here.tick === null) {
		const next: Segment = {
			at: endOf(here),
			length: loop.to - loop.from,
			tick: loop.from,
			round: 0
		};
		return { ...run, loop, segments: [...grown.segments.slice(0, index + 1), next] };
	}
	const tick = here.tick + Math.max(0, at - here.at);
	const inside = tick >= loop.from && tick < loop.to;
	const bar = barAt(chart, tick);
	const to = inside ? loop.to : bar ? bar.startTick + bar.lengthTicks : loop.to;
	const cut: Segment = { ...here, length: to - here.tick };
	return { ...run, loop, segments: [...grown.segments.slice(0, index), cut] };
}

/** From a tick of the run on: this bar to its end, then on from another bar. */
export function withJump(run: Run, at: number, bar: number): Run {
	const goal = run.chart.played[bar];
	const here = segmentAt(extendRun(run, at + 1), at);
	if (!goal || !here || !run.loop) return run;
	const index = run.segments.findIndex((segment) => segment.at === here.at);
	if (here.tick === null) {
		const next = { at: endOf(here), length: run.loop.to - goal.startTick, tick: goal.startTick };
		const kept = run.segments.slice(0, index + 1);
		return { ...run, segments: [...kept, { ...next, round: 0 }] };
	}
	const tick = here.tick + (at - here.at);
	const sounding = barAt(run.chart, tick);
	const to = sounding ? sounding.startTick + sounding.lengthTicks : here.tick + here.length;
	const cut = { ...here, length: to - here.tick };
	const end = goal.startTick < run.loop.to ? run.loop.to : chartTicks(run.chart);
	const next = { at: endOf(cut), length: end - goal.startTick, tick: goal.startTick };
	const kept = run.segments.slice(0, index);
	return { ...run, segments: [...kept, cut, { ...next, round: here.round }] };
}
