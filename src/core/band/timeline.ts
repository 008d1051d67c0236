import {
	eventIndexAt,
	beatTicks,
	chartTicks,
	type Chart,
	type ChordEvent,
	type PlayedBar
} from '../chart';
import { sameChord, type Chord } from '../chord';

/**
 * A stretch of one bar over which one chord sounds, or nothing. Ticks from the first beat; `from` is where
 * the band plays it first in this bar.
 */
export type Stretch = {
	readonly from: number;
	readonly to: number;
	readonly chord: Chord | null;
	readonly event: number;
	/** The chord begins here: it is not one that goes on from the bar before. */
	readonly begins: boolean;
	/** It begins before its beat. */
	readonly pushed: boolean;
	/** The beat that a pushed chord is written on, where it lies at or after `from`: tied over, not struck. */
	readonly tiedTo: number | null;
	/** The chord that follows, when it is another one; null when this goes on or silence follows. */
	readonly next: Chord | null;
	/** Ticks from `from` until another chord sounds. */
	readonly untilNext: number;
};

/** Looks up which events sound when; built once for a chart. */
export type Timeline = {
	/** Index of the event that sounds at a tick; -1 before the first. */
	readonly at: (tick: number) => number;
	/** What follows a run of equal chords, and when; after the last one the first comes round again. */
	readonly after: (event: number) => { readonly chord: Chord | null; readonly tick: number };
	/** Where the run of equal chords around an event begins. */
	readonly runStart: (event: number) => number;
};

const same = (a: ChordEvent, b: ChordEvent): boolean =>
	a.chord === null || b.chord === null ? a.chord === b.chord : sameChord(a.chord, b.chord);

export function timelineOf(chart: Chart): Timeline {
	const { events } = chart;
	const runEnd: number[] = [];
	const runStart: number[] = [];
	for (let i = 0; i < events.length; i++) {
		runStart[i] = i > 0 && same(events[i - 1]!, events[i]!) ? runStart[i - 1]! : i;
	}
	for (let i = events.length - 1; i >= 0; i--) {
		const joined = i + 1 < events.length && same(events[i]!, events[i + 1]!);
		runEnd[i] = joined ? runEnd[i + 1]! : i;
	}
	return {
		at: (tick) => eventIndexAt(chart, tick),
		after: (event) => {
			const next = events[runEnd[event]! + 1];
			return next
				? { chord: next.chord, tick: next.startTick }
				: { chord: events[0]!.chord, tick: chartTicks(chart) };
		},
		runStart: (event) => runStart[event]!
	};
}

/**
 * The chords of a bar in order, cut at its lines.
 * @param entered the band comes in with this bar: a chord pushed before it has not been heard yet
 * @param goes tick of the chart where the music goes after this bar, where that is not the next one
 */
export function stretchesOf(
	chart: Chart,
	line: Timeline,
	bar: PlayedBar,
	entered: boolean,
	goes: number | null = null
): Stretch[] {
	const end = bar.startTick + bar.lengthTicks;
	const stretches: Stretch[] = [];
	let from = bar.startTick;
	let event = line.at(from);
	while (from < end) {
		const sounding = chart.events[event]!;
		const after = chart.events[event + 1];
		const to = Math.min(end, after?.startTick ?? end);
		if (to > from) {
			const following = event < 0 ? null : line.after(event);
			const first = event < 0 || line.runStart(event) === event;
			const begins = event >= 0 && first && (sounding.startTick === from || entered);
			const beat = sounding ? writtenTick(chart, sounding) : 0;
			const early = sounding !== undefined && sounding.startTick < beat && first;
			stretches.push({
				from,
				to,
				chord: sounding?.chord ?? null,
				event,
				begins,
				pushed: begins && early && sounding.startTick === from,
				tiedTo: early && beat >= from && !entered ? beat : null,
				next: following?.chord ?? null,
				untilNext: (following?.tick ?? Infinity) - from
			});
		}
		from = to;
		event++;
	}
	return goes === null ? stretches : turned(chart, line, bar, stretches, goes);
}

/** The stretches of a bar that another one follows: what was pushed out of the next one stays away. */
function turned(
	chart: Chart,
	line: Timeline,
	bar: PlayedBar,
	stretches: readonly Stretch[],
	goes: number
): Stretch[] {
	const end = bar.startTick + bar.lengthTicks;
	const there = chart.events[line.at(goes)]?.chord ?? null;
	const here = stretches.filter(({ event }, i) => {
		const sounding = chart.events[event];
		return i === 0 || !sounding || writtenTick(chart, sounding) < end;
	});
	return here.map((stretch, i): Stretch => {
		const last = i === here.length - 1;
		const to = last ? end : stretch.to;
		const cut = here.length < stretches.length && last;
		if (!cut && stretch.from + stretch.untilNext < end) return { ...stretch, to };
		const goesOn = stretch.chord !== null && there !== null && sameChord(stretch.chord, there);
		return { ...stretch, to, next: goesOn ? null : there, untilNext: end - stretch.from };
	});
}

/** The tick of the beat that a chord is written on. */
function writtenTick(chart: Chart, event: ChordEvent): number {
	const bar = chart.played[event.bar - 1]!;
	return Math.round(bar.startTick + (event.beat - 1) * beatTicks(bar.signature));
}
