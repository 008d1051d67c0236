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

/** What stands on one place of time: a note that begins, one that rings on, or nothing. */
export type Slot = TextNote | 'held' | null;

/** The places of time of a bar. */
export function slotsOf(bar: PlayedBar, notes: readonly TextNote[], unit: number): Slot[] {
	const near = (tick: number) => Math.round((tick - bar.startTick) / unit);
	return Array.from({ length: Math.round(bar.lengthTicks / unit) }, (_, i): Slot => {
		const begins = notes.find((note) => note.tick >= bar.startTick && near(note.tick) === i);
		if (begins) return begins;
		return notes.some(
			(note) =>
				(note.tick < bar.startTick || near(note.tick) < i) &&
				near(note.tick + note.durationTicks) > i
		)
			? 'held'
			: null;
	});
}
