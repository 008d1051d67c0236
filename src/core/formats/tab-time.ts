import { beatTicks, type PlayedBar } from '../chart';
import { QUARTER } from '../kernel';
import type { Also } from '../route';
import type { TabSign } from './tab-lex';
import { FINEST } from './slots';

/** A sign in a bar; columns from the bar's first character. Signs that stand over each other have one column. */
export type Mark = {
	readonly string: number;
	readonly sign: TabSign;
	readonly column: number;
	readonly line: number;
	readonly length: number;
	/** Column in the text, from 0. */
	readonly at: number;
	readonly finger: number | null;
	/** It stands under a sign that mutes it, or lets it ring. */
	readonly under: readonly Also[];
};

export type TabBar = {
	readonly marks: readonly Mark[];
	readonly width: number;
	readonly counted: readonly number[];
};

/** A way of reading columns as time: dashes before the first place and after the last, and the grid. */
type Reading = { readonly lead: number; readonly trail: number; readonly unit: number };

/** Grids that a hand-written tab is read on, with what each must gain to be believed, in ticks. */
const GRIDS: readonly (readonly [number, number])[] = [
	[QUARTER / 2, 0],
	[QUARTER / 4, 12],
	[QUARTER / 3, 16],
	[QUARTER / 8, 30]
];

const COLLISION = 1000;

const rawTick = (column: number, { lead, trail }: Reading, width: number, length: number): number =>
	(Math.max(0, column - lead) / Math.max(1, width - lead - trail)) * length;

const snapped = (tick: number, unit: number, length: number): number =>
	Math.min(length - unit, Math.round(tick / unit) * unit);

/** The reading of all bars under which the columns fall on a grid best; the first of equals. */
export function bestReading(bars: readonly { bar: TabBar; length: number }[]): Reading {
	let best: Reading = { lead: 0, trail: 0, unit: GRIDS[0]![0] };
	let least = Infinity;
	for (const [unit, price] of GRIDS) {
		for (const lead of [0, 1, 2]) {
			for (const trail of [0, 1]) {
				const reading = { lead, trail, unit };
				let [sum, count] = [0, 0];
				for (const { bar, length } of bars) {
					const taken = new Map<number, number>();
					for (const mark of bar.marks) {
						const tick = rawTick(mark.column, reading, bar.width, length);
						const at = snapped(tick, unit, length);
						const other = taken.get(at) ?? mark.column;
						sum += Math.abs(tick - at) + (other !== mark.column ? COLLISION : 0);
						taken.set(at, mark.column);
						count++;
					}
				}
				// Of two that fit, a dash stands before the first note rather than behind the last.
				const total = price + lead + 1.5 * trail + sum / Math.max(1, count);
				if (total < least) [least, best] = [total, reading];
			}
		}
	}
	return best;
}

/** The tick of a column in a bar whose beats are counted above it. */
function countedTick(column: number, counted: readonly number[], beat: number): number {
	let at = counted.findLastIndex((start) => start <= column);
	if (at < 0) return 0;
	if (at === counted.length - 1) at--;
	const [a, b] = [counted[at]!, counted[at + 1]!];
	return (at + (column - a) / (b - a)) * beat;
}

export function tickOf(mark: Mark, bar: TabBar, played: PlayedBar, reading: Reading): number {
	const { counted, width } = bar;
	const length = played.lengthTicks;
	if (counted.length >= 2) {
		const tick = countedTick(mark.column, counted, beatTicks(played.signature));
		return Math.min(length - FINEST, Math.round(tick / FINEST) * FINEST);
	}
	return snapped(rawTick(mark.column, reading, width, length), reading.unit, length);
}
