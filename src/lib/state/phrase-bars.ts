import type { BarRange } from '$core/band';
import { barIndexAt, chartTicks, type Chart } from '$core/chart';

/** The bars that hold some ticks, those of the next time through too: indices, end exclusive; the first one for none. */
export function barsHolding(chart: Chart, ticks: readonly number[]): BarRange {
	const total = chartTicks(chart);
	const bars = ticks.map((tick) => barIndexAt(chart, tick % total));
	return bars.length === 0
		? { from: 0, to: 1 }
		: { from: Math.min(...bars), to: Math.max(...bars) + 1 };
}
