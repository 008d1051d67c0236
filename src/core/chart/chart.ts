import { readChartText } from './read-text';
import { findChanges, schedule } from './schedule';
import type { Chart } from './types';
import { unfold } from './unfold';

/**
 * Reads chart text into a chart: bars, sections, played order, chords in ticks and changes. Never
 * throws; what cannot be read stands in `diagnostics` with line, column and, where there is one, a
 * suggestion.
 * @example parseChart('| Bb7 | Eb7 |').changes.map((change) => change.to.symbol) // ['Bb7', 'Eb7']
 */
export function parseChart(text: string): Chart {
	const { headers, bars, sections, report } = readChartText(text);
	const played = unfold(bars, sections, report);
	const events = schedule(bars, played, report);
	const changes = findChanges(events, played);
	const diagnostics = report.list.sort((a, b) => a.line - b.line || a.column - b.column);
	return { headers, bars, sections, played, events, changes, diagnostics };
}

/** Ticks of each played bar. */
export const barTicksOf = (chart: Chart): number[] =>
	chart.played.map(({ lengthTicks }) => lengthTicks);

/** Ticks from the first beat to the end of the last played bar. */
export const chartTicks = (chart: Chart): number => {
	const last = chart.played.at(-1);
	return last ? last.startTick + last.lengthTicks : 0;
};
