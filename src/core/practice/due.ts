import { eventAt, barAt, beatTicks, type Change, type Chart } from '../chart';
import { QUARTER, lastAt, msOfTicks, msPerTick } from '../kernel';
import { performed, ticksOf } from '../band';
import type { Timing } from './types';

/** Ms of ticks at a tempo in quarter notes a minute, to a millionth: sums of fractions must not decide. */
export const msOf = (ticks: number, tempo: number): number =>
	Math.round(msOfTicks(ticks, tempo) * 1e6) / 1e6;

/** Nobody strikes less than so much before a change by accident, however fast it goes: ms. */
const LEAST_EARLY = 200;

/**
 * A change of one time through: when it is due, how long before it a note still belongs to it (the
 * preceding eighth, at least 200 ms), and how long after (a beat). Ms from the first beat.
 */
export type Due = {
	readonly change: Change;
	readonly loop: number;
	readonly dueMs: number;
	readonly earlyMs: number;
	readonly beatMs: number;
};

/** Ms of one time through. */
export function roundMs({ chart, range, tempo }: Timing): number {
	const { from, to } = ticksOf(chart, range);
	return msOf(to - from, tempo);
}

/**
 * The changes of one time through with the ticks at which they are heard, from the first beat of the
 * range. A chord that is pushed out of the range's first bar, or that has gone on into it, sounds with
 * its first beat.
 */
function heardInRange(timing: Timing): { change: Change; tick: number }[] {
	const { chart, range, swing } = timing;
	const { from, to } = ticksOf(chart, range);
	const [first, end] = [range?.from ?? 0, range?.to ?? chart.played.length];
	const inside = chart.changes.filter((change) => change.bar > first && change.bar <= end);
	const heard = inside.map((change) => ({
		change,
		tick: Math.max(0, performed(chart, change.tick, swing) - from)
	}));
	const before = chart.changes.findLast((change) => change.bar <= first);
	if (before && (heard.length === 0 || heard[0]!.tick > 0) && goesOn(chart, before, from)) {
		heard.unshift({ change: before, tick: 0 });
	}
	return heard.filter(({ tick }) => tick < to - from);
}

/** The chord of a change still sounds at a tick: no silence came between. */
function goesOn(chart: Chart, change: Change, tick: number): boolean {
	const sounding = eventAt(chart, tick);
	return sounding?.chord != null && sounding.index >= change.to.index;
}

/** Every change that comes, time after time, in order. */
export function dueChanges(timing: Timing): Due[] {
	const { tempo } = timing;
	const round = roundMs(timing);
	const once = heardInRange(timing).map(({ change, tick }) => ({
		change,
		dueMs: msOf(tick, tempo),
		earlyMs: Math.max(LEAST_EARLY, msOf(QUARTER / 2, tempo)),
		beatMs: msOf(beatTicks(barAt(timing.chart, change.tick).signature), tempo)
	}));
	return Array.from({ length: timing.loops }, (_, loop) =>
		once.map((due) => ({ ...due, loop, dueMs: due.dueMs + loop * round }))
	).flat();
}

/** Finds which chord sounds when. */
export type Sounding = {
	/** Index of the event that sounds at a moment; -1 before the first and after the last. */
	readonly eventAt: (ms: number) => number;
	/** The played bar of a moment, from 0; -1 outside. */
	readonly barAt: (ms: number) => number;
	/** Ms since the bar of a moment began, and until it ends. */
	readonly inBar: (ms: number) => { readonly since: number; readonly left: number };
	/** Ticks of the range at a moment as performed, and which time through it is. */
	readonly tickAt: (ms: number) => { readonly tick: number; readonly loop: number };
};

export function soundingOf(timing: Timing): Sounding {
	const { chart, range, swing, loops, tempo } = timing;
	const perTick = msPerTick(tempo);
	const round = roundMs(timing);
	const { from, to } = ticksOf(chart, range);
	const events = chart.events.map((event) => performed(chart, event.startTick, swing));
	const bars = chart.played.map((bar) => bar.startTick);
	const tickAt = (ms: number) => {
		const loop = round > 0 ? Math.floor(ms / round) : 0;
		return { tick: from + (ms - loop * round) / perTick, loop };
	};
	const inside = (ms: number): number | null => {
		const { tick, loop } = tickAt(ms);
		return loop < 0 || loop >= loops ? null : Math.min(tick, to - 1e-6);
	};
	const barIndex = (ms: number): number => {
		const tick = inside(ms);
		return tick === null ? -1 : lastAt(bars, tick + 1e-6);
	};
	return {
		eventAt: (ms) => {
			const tick = inside(ms);
			return tick === null ? -1 : lastAt(events, tick + 1e-6);
		},
		barAt: barIndex,
		inBar: (ms) => {
			const bar = chart.played[barIndex(ms)];
			if (!bar) return { since: Infinity, left: Infinity };
			const since = tickAt(ms).tick - bar.startTick;
			return { since: since * perTick, left: (bar.lengthTicks - since) * perTick };
		},
		tickAt
	};
}
