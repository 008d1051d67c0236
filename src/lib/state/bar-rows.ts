import { barIndexAt, chartTicks, type Chart } from '$core/chart';
import type { Scale } from '$core/harmony';
import type { HandStretch } from '$core/route';

/** What holds from a written bar on. */
type From = { readonly bar: number; readonly beat?: number };

/** A stretch of a row over the strip. Ticks; bars are played ones, from 1. */
export type RowStretch<T> = {
	readonly from: number;
	readonly to: number;
	readonly bar: number;
	readonly lastBar: number;
	readonly value: T;
	/** It was read off the player's own notes. */
	readonly own: boolean;
	/** The written bar whose entry ends it, or where an entry of its own could end; null where its end is fixed. */
	readonly ends: number | null;
};

/** Something that holds from a tick on. */
type Mark<T> = { readonly tick: number; readonly value: T; readonly own?: boolean };

const writtenAt = (chart: Chart, tick: number): number =>
	(chart.played[barIndexAt(chart, tick)]?.written ?? 0) + 1;

/** Puts marks into stretches; neighbours that say the same are one. */
function stretchesOf<T>(
	chart: Chart,
	marks: readonly Mark<T>[],
	entries: readonly From[],
	same: (a: T, b: T) => boolean
): RowStretch<T>[] {
	const end = chartTicks(chart);
	const kept = marks.filter((mark, i) => {
		const before = marks[i - 1];
		return !before || !same(before.value, mark.value) || before.own !== mark.own;
	});
	const starts = new Set(entries.map(({ bar }) => bar));
	return kept.map((mark, i) => {
		const to = kept[i + 1]?.tick ?? end;
		const last = i === kept.length - 1;
		const ends = last
			? starts.has(writtenAt(chart, mark.tick)) &&
				barIndexAt(chart, mark.tick) < chart.played.length - 1
				? chart.played.length + 1
				: null
			: starts.has(writtenAt(chart, to))
				? writtenAt(chart, to)
				: null;
		const own = mark.own ?? false;
		const bar = barIndexAt(chart, mark.tick) + 1;
		return {
			...{ from: mark.tick, to, value: mark.value, own, bar },
			lastBar: Math.max(bar, barIndexAt(chart, to - 1) + 1),
			ends: own ? null : ends
		};
	});
}

/** Where the hand is, stretch by stretch. */
export const handRow = (
	chart: Chart,
	hands: readonly HandStretch[],
	entries: readonly From[]
): RowStretch<number>[] =>
	stretchesOf(
		chart,
		hands.map(({ tick, position, own }) => ({ tick, value: position, own })),
		entries,
		(a, b) => a === b
	);

/** The scales, stretch by stretch; silences belong to what comes before them. */
export function scaleRow(
	chart: Chart,
	scales: readonly (Scale | null)[],
	entries: readonly From[]
): RowStretch<Scale>[] {
	const marks = chart.events.flatMap(({ index, startTick, chord }) => {
		const scale = chord && scales[index];
		return scale ? [{ tick: startTick, value: scale }] : [];
	});
	const first = marks[0];
	const name = ({ name, tonic }: Scale) => `${tonic.letter} ${tonic.alter} ${name}`;
	const from0 = first && first.tick > 0 ? [{ ...first, tick: 0 }, ...marks] : marks;
	return stretchesOf(chart, from0, entries, (a, b) => name(a) === name(b));
}

/** Entries after the end of a stretch was dragged to the beginning of a played bar, from 1. */
export function moveEnd<T extends From>(
	chart: Chart,
	entries: readonly T[],
	stretch: Pick<RowStretch<unknown>, 'bar' | 'ends'>,
	toBar: number,
	back: (bar: number) => T
): T[] {
	const written = (bar: number) => (chart.played[bar - 1]?.written ?? chart.bars.length) + 1;
	const start = written(stretch.bar);
	const to = toBar > chart.played.length ? null : Math.max(start + 1, written(toBar));
	const ending = entries.find(({ bar }) => bar === stretch.ends);
	// What lies between the old end and the new one is passed over.
	const kept = entries.filter(
		(entry) => entry !== ending && (entry.bar <= start || (to !== null && entry.bar > to))
	);
	if (to === null) return kept;
	const moved = ending && {
		...ending,
		bar: to,
		...(ending.beat === undefined ? {} : { beat: 1 })
	};
	return [...kept, moved ?? back(to)].sort((a, b) => a.bar - b.bar);
}

/** The written bars, from 1, whose first chord is the same as that of one of them. */
export function barsLike(chart: Chart, bar: number): number[] {
	const symbolAt = (written: number) => {
		const played = chart.played.find((one) => one.written === written - 1);
		const event = played && chart.events.findLast(({ startTick }) => startTick <= played.startTick);
		return event?.symbol ?? null;
	};
	const wanted = symbolAt(bar);
	if (wanted === null) return [bar];
	return chart.bars.map(({ number }) => number).filter((number) => symbolAt(number) === wanted);
}

/** Entries that say the same in some written bars, and what was said before after each of them. */
export function inBars<T extends From>(
	entries: readonly T[],
	bars: readonly number[],
	last: number,
	make: (bar: number) => T,
	back: (bar: number) => T
): T[] {
	const wanted = new Set(bars);
	const before = (bar: number) => entries.findLast((entry) => entry.bar <= bar);
	const made: T[] = [];
	for (let bar = 1; bar <= last; bar++) {
		const known = before(bar);
		if (wanted.has(bar)) made.push(make(bar));
		else if (entries.some((entry) => entry.bar === bar)) {
			made.push(...entries.filter((entry) => entry.bar === bar));
		} else if (wanted.has(bar - 1)) made.push(known ? { ...known, bar } : back(bar));
	}
	return made;
}
