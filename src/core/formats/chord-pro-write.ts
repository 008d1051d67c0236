import { beatTicks, type Chart, type PlayedBar, shareStarts } from '../chart';
import { isMinorMode } from '../chord';
import { keyOf } from '../harmony';
import { noteName } from '../pitch';

/** The directive that carries a line of the chart as it was written. */
export const OWN = 'x_arc_step_chart';

/** One bar of a grid: equal cells, `.` where a chord is held. */
function cells(chart: Chart, bar: PlayedBar): string {
	const beat = beatTicks(bar.signature);
	const marks = chart.events.flatMap(({ bar: at, beat: on, symbol }) =>
		at === bar.index + 1 ? [{ tick: (on - 1) * beat, symbol }] : []
	);
	const fits = (count: number) => {
		const starts = shareStarts(count, bar.signature);
		return marks.every(({ tick }) => starts.includes(Math.round(tick)));
	};
	const { beats } = bar.signature;
	const count = [1, 2, 3, 4].map((part) => part * beats).find(fits) ?? beats;
	const starts = shareStarts(count, bar.signature);
	return starts
		.slice(0, count)
		.map((start) => marks.find(({ tick }) => Math.round(tick) === start)?.symbol ?? '.')
		.join(' ');
}

const BARS_A_LINE = 4;

function grids(chart: Chart): string[] {
	const lines: string[] = [];
	let row: string[] = [];
	const flush = () => {
		if (row.length > 0) lines.push(`| ${row.join(' | ')} |`);
		row = [];
	};
	let signature = chart.played[0]?.signature;
	chart.played.forEach((bar, i) => {
		const before = chart.played[i - 1];
		const begins = !before || before.section !== bar.section || bar.written < before.written;
		if (begins) {
			flush();
			if (before) lines.push('{end_of_grid}', '');
			lines.push(bar.section ? `{start_of_grid: ${braced(bar.section)}}` : '{start_of_grid}');
		}
		const turned =
			signature &&
			(signature.beats !== bar.signature.beats || signature.unit !== bar.signature.unit);
		if (turned) {
			flush();
			signature = bar.signature;
			const time = `{time: ${signature.beats}/${signature.unit}}`;
			// Inside a grid a program takes anything for cells.
			if (begins) lines.splice(-1, 0, time);
			else lines.push('{end_of_grid}', time, '{start_of_grid}');
		}
		row.push(cells(chart, bar));
		if (row.length === BARS_A_LINE) flush();
	});
	flush();
	return [...lines, '{end_of_grid}'];
}

const braced = (text: string): string => text.replace(/[{}\r\n]/g, ' ').trim();

/**
 * A chart as ChordPro: title, key, tempo, time and capo, and its bars as grids, played out. What a grid
 * cannot say (pushes, repeats, comments) goes along line by line in directives of its own.
 */
export function writeChordPro(chart: Chart, text: string): string {
	const { headers, played } = chart;
	const key = keyOf(chart);
	const [first] = played;
	const head = [`{title: ${braced(headers.title ?? 'Untitled tune')}}`];
	if (key) head.push(`{key: ${noteName(key.tonic)}${isMinorMode(key.mode) ? 'm' : ''}}`);
	if (first) head.push(`{time: ${first.signature.beats}/${first.signature.unit}}`);
	head.push(`{tempo: ${headers.tempo}}`);
	if (headers.capo > 0) head.push(`{capo: ${headers.capo}}`);
	const own = text
		.trimEnd()
		.split(/\r\n|\r|\n/)
		// A brace would end the directive.
		.map((line) => `{${OWN}: ${line.replaceAll('{', '⟨').replaceAll('}', '⟩')}}`);
	return `${[...head, '', ...own, '', ...grids(chart)].join('\n')}\n`;
}
