import { searchBy } from '../kernel';
import type { Change, Chart, ChordEvent, PlayedBar } from './types';

const bars = searchBy((bar: PlayedBar) => bar.startTick);
const events = searchBy((event: ChordEvent) => event.startTick);
const changes = searchBy((change: Change) => change.tick);

/** Index of the played bar that holds a tick; the first before the first, the last after the last. */
export const barIndexAt = (chart: Chart, tick: number): number =>
	Math.max(0, bars.lastAt(chart.played, tick));

/** The played bar that holds a tick, as `barIndexAt` finds it. A chart has a bar. */
export const barAt = (chart: Chart, tick: number): PlayedBar =>
	chart.played[barIndexAt(chart, tick)]!;

/** Index of the event that sounds at a tick, silences included; -1 before the first. */
export const eventIndexAt = (chart: Chart, tick: number): number =>
	events.lastAt(chart.events, tick);

/** The event that sounds at a tick, silences included; null before the first. */
export const eventAt = (chart: Chart, tick: number): ChordEvent | null =>
	chart.events[eventIndexAt(chart, tick)] ?? null;

/** Index of the last change at or before a tick; -1 before the first. */
export const changeIndexAt = (chart: Chart, tick: number): number =>
	changes.lastAt(chart.changes, tick);

/** The last change at or before a tick; null before the first. */
export const changeAt = (chart: Chart, tick: number): Change | null =>
	chart.changes[changeIndexAt(chart, tick)] ?? null;
