import { performed, type BarRange, type Swing } from '$core/band';
import type { Chart } from '$core/chart';
import type { Chord } from '$core/chord';
import type { TargetAnswer } from '$lib/api/plan-schema';

/** A change on the strip: where its moment lies, in px, and what is to be landed on. */
type StripChange = {
	readonly index: number;
	readonly x: number;
	readonly chord: Chord;
	readonly symbol: string;
	readonly bar: number;
	/** Px until the next change of the row, or its end. */
	readonly room: number;
	readonly target: TargetAnswer | null;
};

/** Some bars in a row. `from` and `to` are bars, `to` not included. */
export type StripRow = {
	readonly from: number;
	readonly to: number;
	readonly bars: readonly { readonly index: number; readonly x: number; readonly width: number }[];
	readonly changes: readonly StripChange[];
};

/** Room at both ends of a row, so that a mark on its first or last moment is seen whole. */
const ENDS = 22;

/** Bars that stand in a row of so many px: as many as are at least 96 px wide, in rows as even as can be. */
function barsInRow(bars: number, width: number): number {
	const most = Math.max(1, Math.min(8, Math.floor((width - 2 * ENDS) / 104)));
	if (bars <= most) return bars;
	const rows = Math.ceil(bars / most);
	return Math.ceil(bars / rows);
}

/** Lays the bars of a pass out in rows on one scale of time. */
export function stripRows(
	chart: Chart,
	range: BarRange | null,
	swing: Swing,
	targets: readonly TargetAnswer[],
	width: number
): StripRow[] {
	const [first, end] = [range?.from ?? 0, range?.to ?? chart.played.length];
	const each = barsInRow(end - first, width);
	const scale = (width - 2 * ENDS) / each;
	const byChange = new Map(targets.map((target) => [target.change, target]));
	const rows: StripRow[] = [];
	for (let from = first; from < end; from += each) {
		const to = Math.min(end, from + each);
		const bars = chart.played.slice(from, to).map((bar, i) => ({
			index: bar.index,
			x: ENDS + i * scale,
			width: scale
		}));
		const at = (tick: number): number => {
			const i = chart.played.slice(from, to).findLastIndex((bar) => bar.startTick <= tick + 1e-6);
			const bar = chart.played[from + Math.max(0, i)];
			return ENDS + (Math.max(0, i) + (tick - bar.startTick) / bar.lengthTicks) * scale;
		};
		const inside = chart.changes
			.filter(({ bar }) => bar > from && bar <= to)
			.map((change) => ({
				change,
				x: Math.max(0, at(performed(chart, change.tick, swing)))
			}));
		const before = chart.changes.findLast(({ bar }) => bar <= from);
		if (from === first && before && range && (inside[0]?.x ?? Infinity) > ENDS + 1) {
			inside.unshift({ change: before, x: ENDS });
		}
		const right = ENDS + (to - from) * scale;
		rows.push({
			from,
			to,
			bars,
			changes: inside.map(({ change, x }, i) => ({
				index: change.index,
				x,
				chord: change.to.chord,
				symbol: change.to.symbol,
				bar: change.bar,
				room: (inside[i + 1]?.x ?? right) - x,
				target: byChange.get(change.index) ?? null
			}))
		});
	}
	return rows;
}
