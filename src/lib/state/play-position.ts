import { barAt, beatTicks, chartTicks, type Change, type Chart } from '$core/chart';
import { performed, type BarRange, type Swing } from '$core/band';
import type { Heard } from './played';

/** When the changes of a chart are heard, in ticks: swing taken along. */
export const heardChanges = (chart: Chart, swing: Swing): number[] =>
	chart.changes.map((change) => performed(chart, change.tick, swing));

type Loop = { readonly from: number; readonly to: number };

/** What a player follows: the change that sounds, the one that comes, and how far away it is. */
export type Following = {
	readonly now: number | null;
	readonly next: number | null;
	/** Beats until the next one sounds, rounded up: 1 is the last beat before it. */
	readonly beats: number;
};

/**
 * Where a tick of the chart lies between its changes, inside a loop: after the last change of the loop
 * comes the chord that its first beat sounds.
 * @param heard ticks at which the changes are heard, ascending
 */
export function following(
	chart: Chart,
	heard: readonly number[],
	tick: number,
	loop: Loop
): Following {
	const before = heard.findLastIndex((at) => at <= tick);
	const now = before >= 0 ? before : null;
	let next: number | null = before + 1 < heard.length ? before + 1 : null;
	let goal = next === null ? loop.to : heard[next];
	if (next === null || goal >= loop.to) {
		const atStart = heard.findLastIndex((at) => at <= loop.from);
		const first = heard.findIndex((at) => at >= loop.from);
		next = atStart >= 0 ? atStart : first >= 0 ? first : null;
		goal = loop.to + (atStart >= 0 || next === null ? 0 : heard[next] - loop.from);
		// One chord alone in the loop: nothing comes.
		if (next === now && heard.every((at, i) => i === now || at < loop.from || at >= loop.to)) {
			next = null;
		}
	}
	const bar = barAt(chart, tick);
	const beat = beatTicks(bar?.signature ?? chart.headers.time);
	return { now, next, beats: Math.max(1, Math.ceil((goal - tick) / beat - 1e-6)) };
}

/** The whole chart as a loop. */
export const wholeChart = (chart: Chart): Loop => ({ from: 0, to: chartTicks(chart) });

/** The bars round a change, with the one before it where it does not lie behind the turn: indices, end exclusive. */
export function barsRound(before: Change | undefined, change: Change): BarRange {
	const from = before && before.index < change.index ? before.bar - 1 : change.bar - 1;
	return { from, to: Math.max(change.bar, from + 1) };
}

/** True when what the eye follows has not moved on since it was told. */
export const sameMoment = (heard: Heard, bar: number, beat: number, where: Following): boolean =>
	heard.kind === 'playing' &&
	heard.bar === bar &&
	heard.beat === beat &&
	heard.toGo === where.beats &&
	heard.now === where.now;
