import { type Feel, barTicksOf, chordSounds, keyName, parseChart } from '$core/chart';
import { keyOf } from '$core/harmony';

/** Which rules of reading made the columns of a tune; raised when one of them changes. */
export const READING = 1;

/** Words that somebody wrote about a tune, and where they stand. */
export type Written = { readonly place: string; readonly text: string };

/** What is kept beside the text of a chart, so that lists and searches need not read it again. */
export type TuneReading = {
	readonly chart: string;
	readonly title: string;
	readonly key: string;
	readonly tempo: number;
	readonly feel: Feel;
	/** Played bars. */
	readonly bars: number;
	/** Ticks of each played bar. */
	readonly barTicks: readonly number[];
	/** The first four chords. */
	readonly opening: readonly string[];
	/** The sounds of its changes one after the other, to be searched as text. */
	readonly sounds: string;
	/** Where each of them is written: bar (from 1) and symbol. */
	readonly places: readonly (readonly [number, string])[];
	/** Sections and comments. */
	readonly written: readonly Written[];
	readonly reading: number;
};

/** What the chart text says beside its chords: sections and comments. */
function writtenInChart(chart: string): Written[] {
	return chart.split(/\r\n|\r|\n/).flatMap((line) => {
		const at = line.indexOf('//');
		const comment = at < 0 ? '' : line.slice(at + 2).trim();
		const section = /^\s*\[([^[\]]+)\]/.exec(line)?.[1];
		return [
			...(section ? [{ place: 'section', text: section }] : []),
			...(comment ? [{ place: 'in the chart', text: comment }] : [])
		];
	});
}

/** Reads a chart for keeping; text that cannot be read is kept all the same. */
export function readTune(chart: string): TuneReading {
	const parsed = parseChart(chart);
	const { headers, played, changes } = parsed;
	const key = keyOf(parsed);
	return {
		chart,
		title: headers.title ?? 'Untitled tune',
		key: key ? keyName(key) : '',
		tempo: headers.tempo,
		feel: headers.feel,
		bars: played.length,
		barTicks: barTicksOf(parsed),
		opening: changes.slice(0, 4).map(({ to }) => to.chord.symbol),
		sounds: chordSounds(changes),
		places: changes.map(({ source, to }) => [source, to.symbol]),
		written: writtenInChart(chart),
		reading: READING
	};
}
