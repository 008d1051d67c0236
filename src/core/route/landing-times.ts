import {
	barAt,
	beatTicks,
	changeIndexAt,
	eventIndexAt,
	type Change,
	type Chart,
	type ChordEvent,
	type PlayedBar
} from '../chart';
import { sameChord } from '../chord';
import { notation } from '../pitch';

/** When a line lands: on the changes; on a chord that is held also every bar, or every second. */
export const LANDS = ['change', 'bar', 'two-bars'] as const;
type Land = (typeof LANDS)[number];

/** A moment of the written chart; bar and beat count from 1. */
type WrittenMoment = { readonly bar: number; readonly beat: number };

/** When a line lands. */
export type LandingTimes = {
	readonly land: Land;
	/** The beat of its bar that a landing waits for, where its chord sounds until then; null for the change itself. */
	readonly beat?: number | null;
	/** Where a repeat begins again, though the chord goes on. */
	readonly top?: boolean;
	/** Where the hand is in a bar: with a bar where it is elsewhere it lands, though the chord goes on. */
	readonly handAt?: (bar: PlayedBar) => number;
	/** Moments where another scale begins. */
	readonly scales?: readonly WrittenMoment[];
};

/**
 * A chart whose changes are the moments that a line lands on, and whose chords are parted where something begins while
 * they go on. `changeOf` and `eventOf` lead from its indices to those of the chart that it was made from.
 */
export type TimedChart = {
	readonly chart: Chart;
	readonly changeOf: readonly number[];
	readonly eventOf: readonly number[];
};

/** A landing on a chord that goes on. */
export const isHeld = ({ from, to }: Change): boolean =>
	from?.chord != null && sameChord(from.chord, to.chord);

/** The moments where chords are parted, and those of them that are landed on. */
type Cuts = { readonly parts: Set<number>; readonly landings: Map<number, PlayedBar> };

const writtenOf = (bar: PlayedBar): number => bar.written + 1;

/** A bar that is played after the one that stands before it in the text, or before itself. */
const opensAgain = ({ played }: Chart, { index, written }: PlayedBar): boolean =>
	index > 0 && written <= played[index - 1]!.written;

/** True where the hand goes elsewhere with a bar. */
const movesWith = ({ played }: Chart, bar: PlayedBar, handAt: LandingTimes['handAt']): boolean =>
	bar.index > 0 && handAt !== undefined && handAt(bar) !== handAt(played[bar.index - 1]!);

function cutsOf(chart: Chart, { land, top, handAt, scales = [] }: LandingTimes): Cuts {
	const parts = new Set<number>();
	const landings = new Map<number, PlayedBar>();
	// A pushed chord belongs to the bar that it is written in.
	const starts = new Set(chart.changes.map(({ bar, beat }) => (beat === 1 ? bar - 1 : -1)));
	let at = 0;
	for (const bar of chart.played) {
		while (at + 1 < chart.changes.length && chart.changes[at + 1]!.bar - 1 <= bar.index) at++;
		for (const moment of scales) {
			const offset = Math.round((moment.beat - 1) * beatTicks(bar.signature));
			if (moment.bar === writtenOf(bar) && offset < bar.lengthTicks) {
				parts.add(bar.startTick + offset);
			}
		}
		if (starts.has(bar.index)) continue;
		const sounding = chart.events[eventIndexAt(chart, bar.startTick)];
		if (!sounding?.chord) continue;
		const since = bar.index - (chart.changes[at]!.bar - 1);
		const every = land === 'bar' || (land === 'two-bars' && since % 2 === 0);
		if (every || (top && opensAgain(chart, bar)) || movesWith(chart, bar, handAt)) {
			landings.set(bar.startTick, bar);
			parts.add(bar.startTick);
		}
	}
	return { parts, landings };
}

type Piece = { readonly event: ChordEvent; readonly of: number };

/** The chords of a chart, parted at some moments. */
function partEvents(chart: Chart, parts: ReadonlySet<number>): Piece[] {
	const cuts = [...parts].sort((a, b) => a - b);
	const pieces: Piece[] = [];
	for (const event of chart.events) {
		const end = event.startTick + event.durationTicks;
		const inside = cuts.filter((tick) => tick > event.startTick && tick < end);
		const starts = [event.startTick, ...inside];
		starts.forEach((startTick, i) => {
			const durationTicks = (starts[i + 1] ?? end) - startTick;
			const index = pieces.length;
			if (i === 0) {
				pieces.push({ event: { ...event, index, durationTicks }, of: event.index });
				return;
			}
			const bar = barAt(chart, startTick);
			const beat = 1 + (startTick - bar.startTick) / beatTicks(bar.signature);
			const where = { bar: bar.index + 1, beat, pass: bar.pass };
			pieces.push({
				event: { ...event, ...where, index, startTick, durationTicks },
				of: event.index
			});
		});
	}
	return pieces;
}

/** The beat that a landing waits for, if its chord sounds until then. */
function delayed(chart: Chart, change: Change, until: number, beat: number): Change {
	const bar = chart.played[change.bar - 1]!;
	const tick = bar.startTick + Math.round((beat - 1) * beatTicks(bar.signature));
	const inside = tick > change.tick && tick < until && tick < bar.startTick + bar.lengthTicks;
	return inside ? { ...change, tick, beat } : change;
}

const countUp = (length: number): number[] => Array.from({ length }, (_, i) => i);

/** The chart by the moments that a line lands on; the chart itself where these are its changes. */
export function timedChart(chart: Chart, times: LandingTimes): TimedChart {
	const { parts, landings } = cutsOf(chart, times);
	const { beat = null } = times;
	const { events: whole, changes: written } = chart;
	if (parts.size === 0 && (beat ?? 1) === 1) {
		return { chart, changeOf: countUp(written.length), eventOf: countUp(whole.length) };
	}
	const pieces = partEvents(chart, parts);
	const events = pieces.map(({ event }) => event);
	const first = new Map(pieces.map(({ event, of }) => [of, event] as const).reverse());
	const last = new Map(pieces.map(({ event, of }) => [of, event] as const));
	const byTick = new Map(events.map((event) => [event.startTick, event]));
	const own = written.map((change): { change: Change; of: number } => {
		const { chord, symbol, index } = change.to;
		const from = change.from && { ...change.from, ...last.get(change.from.index) };
		const to = { ...change.to, ...first.get(index), chord, symbol };
		return { change: { ...change, from, to }, of: change.index };
	});
	const held = [...landings].flatMap(([tick, bar]) => {
		const to = byTick.get(tick);
		const from = to && events[to.index - 1];
		if (!to?.chord || !from) return [];
		const where = { tick, bar: bar.index + 1, beat: 1, source: writtenOf(bar), pass: bar.pass };
		const sounding = { ...to, chord: to.chord, symbol: notation(to.symbol) };
		const change: Change = { index: 0, ...where, from, to: sounding };
		return [{ change, of: changeIndexAt(chart, tick) }];
	});
	const all = [...own, ...held].sort((a, b) => a.change.tick - b.change.tick);
	const changes = all.map(({ change }, index): Change => {
		const until = all[index + 1]?.change.tick ?? Infinity;
		return { ...(beat === null ? change : delayed(chart, change, until, beat)), index };
	});
	return {
		chart: { ...chart, events, changes },
		changeOf: all.map(({ of }) => of),
		eventOf: pieces.map(({ of }) => of)
	};
}
