import { QUARTER } from '../kernel';
import { beatTicks, type PlayedBar } from '../chart';
import type { TextNote } from './types';

/** Places of time that a text may divide a bar into, in ticks, coarsest first. */
const UNITS = [1, 2, 3, 4, 6, 8, 12, 16, 24].map((part) => QUARTER / part);
/** The finest place that a text keeps: 8 ms at 300, finer than a player hears. */
export const FINEST = UNITS[UNITS.length - 1]!;

/** The coarsest place that every start and end inside the bars falls on; the finest where none does. */
export function unitOf(bars: readonly PlayedBar[], notes: readonly TextNote[]): number {
	const edges = notes
		.flatMap((note) => [note.tick, note.tick + note.durationTicks])
		.flatMap((tick) => {
			const bar = barOf(bars, tick);
			return bar ? [tick - bar.startTick] : [];
		});
	// Every beat has a place of its own, so that it can be counted.
	const beats = bars.map((bar) => beatTicks(bar.signature));
	const fits = (unit: number) => [...edges, ...beats].every((tick) => tick % unit === 0);
	return UNITS.find(fits) ?? FINEST;
}

/** The bar that a tick lies in. */
const barOf = (bars: readonly PlayedBar[], tick: number): PlayedBar | undefined =>
	bars.findLast((bar) => bar.startTick <= tick && tick < bar.startTick + bar.lengthTicks);

/**
 * What stands on one place of time: notes that begin there, that ring on over it, and that end there, thick strings first.
 */
export type Column<T extends TextNote> = {
	readonly begins: readonly T[];
	readonly holds: readonly T[];
	readonly ends: readonly T[];
};

/** The places of time of a bar. A note that ends at the bar line ends on the first place of the next bar. */
export function columnsOf<T extends TextNote>(
	bar: PlayedBar,
	notes: readonly T[],
	unit: number
): Column<T>[] {
	const near = (tick: number) => Math.round((tick - bar.startTick) / unit);
	const count = Math.round(bar.lengthTicks / unit);
	const columns = Array.from({ length: count }, () => ({
		begins: [] as T[],
		holds: [] as T[],
		ends: [] as T[]
	}));
	for (const note of notes) {
		const from = note.tick < bar.startTick ? -1 : near(note.tick);
		const to = near(note.tick + note.durationTicks);
		if (from >= count || to < 0) continue;
		if (from >= 0) columns[from]!.begins.push(note);
		for (let i = Math.max(0, from + 1); i < Math.min(to, count); i++) columns[i]!.holds.push(note);
		if (to >= 0 && to < count && to > from) columns[to]!.ends.push(note);
	}
	return columns;
}
