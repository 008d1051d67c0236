import { type Chart } from '../chart';
import { highestFret, type Instrument } from '../neck';
import type { Also } from '../route';
import { inColumns, isFret, sounded, withFingers } from './tab-columns';
import { signsIn } from './tab-lex';
import { type Mark, type TabBar, bestReading, tickOf } from './tab-time';
import { FINGERS } from './tab-write';
import type { LineText, PlayedText, TextProblem } from './types';

/** A row of tab: a label perhaps, a bar line, then dashes, frets and signs. */
const ROW = /^([A-Ga-g]?[#b♯♭]?\d?)\s*(?:[|‖]|[-–—]{2})/;
/** Beats counted above a tab: `1 e + a 2 …`. */
const COUNTS = /^[\s\d+&.,ae|]*$/i;
const FINGER_ROW = new RegExp(`^[\\s\\d]*${FINGERS}\\s*$`);
const BAR_LINE = /[|‖]/;

type Row = { readonly line: number; readonly label: string; readonly text: string };
type System = {
	readonly rows: readonly Row[];
	readonly counts: string | null;
	readonly fingers: string | null;
	/** Rows of signs over the system. */
	readonly over: readonly string[];
};
/** Signs over a system that say how the notes under them are played, each as far as its dashes reach. */
const OVER: readonly (readonly [RegExp, Also])[] = [
	[/P\.?M\.?(?:[-.\s]*[-|¬])?/g, 'palm-mute'],
	[/let ring(?:[-.\s]*[-|¬])?/gi, 'let-ring']
];
const OVER_ROW = /P\.?M\.?|let ring/i;

function systemsOf(text: string): System[] {
	const lines = text.replace(/\t/g, '    ').split(/\r?\n/);
	const systems: System[] = [];
	let rows: Row[] = [];
	let above: string | null = null;
	let over: string[] = [];
	let last: string | null = null;
	let signs: string[] = [];
	const close = (below = '') => {
		const fingers = FINGER_ROW.test(below) ? below : null;
		if (rows.length > 0) systems.push({ rows, counts: above, fingers, over });
		rows = [];
	};
	lines.forEach((line, i) => {
		const found = ROW.exec(line.trimStart());
		if (found && (rows.length > 0 || /[-–—]{2}/.test(line))) {
			if (rows.length === 0) [above, over] = [last, signs];
			rows.push({ line: i + 1, label: found[1]!, text: line });
		} else close(line);
		// Signs may stand over the counts or under them.
		const signed = !found && OVER_ROW.test(line);
		if (!signed) last = !found && COUNTS.test(line) && /\b1\b/.test(line) ? line : null;
		signs = found ? [] : signed ? [...signs, line] : last === line ? signs : [];
	});
	close();
	return systems;
}

/** Bars between bar lines: from which column to which, end exclusive. */
function spans(text: string): { from: number; to: number }[] {
	const start = text.search(/[|‖]/) >= 0 && text.search(/[|‖]/) < 6 ? text.search(/[|‖]/) : 0;
	const found: { from: number; to: number }[] = [];
	let from = BAR_LINE.test(text[start] ?? '') ? start + 1 : start;
	for (let i = from; i <= text.length; i++) {
		if (i < text.length && !BAR_LINE.test(text[i]!)) continue;
		// A double bar line, repeat signs and what trails after the last line are no bars.
		if (/[-–—\d]/.test(text.slice(from, i))) found.push({ from, to: i });
		from = i + 1;
	}
	return found;
}

/** What a row of signs says of a column. */
function underSigns(over: readonly string[], at: number): Also[] {
	return OVER.flatMap(([pattern, also]) =>
		over.some((row) =>
			[...row.matchAll(pattern)].some(
				(match) => at >= match.index && at < match.index + match[0].length
			)
		)
			? [also]
			: []
	);
}

function marksIn(row: Row, string: number, from: number, to: number, { over }: System): Mark[] {
	return signsIn(row.text.slice(from, to)).map((sign): Mark => {
		const { column, length } = sign;
		const at = from + column;
		const under = sign.kind === 'fret' ? underSigns(over, from + sign.start) : [];
		return { string, sign, column, line: row.line, length, at, finger: null, under };
	});
}

/** Thickest on top? Told by the labels, where they fit the instrument the other way round only. */
function upsideDown(rows: readonly Row[], instrument: Instrument): boolean {
	const letter = (text: string) => text.replace(/\d/g, '').toUpperCase();
	const read = rows.map((row) => letter(row.label));
	if (read.some((label) => label === '')) return false;
	const own = instrument.labels.map(letter);
	const matches = (order: readonly string[]) => order.every((label, i) => label === read[i]);
	return !matches(own) && matches([...own].reverse());
}

const problem = (
	{ line, at, length }: Pick<Mark, 'line' | 'at' | 'length'>,
	message: string
): TextProblem => ({ line, column: at + 1, length, message });

function barsOf(system: System, instrument: Instrument, problems: TextProblem[]): TabBar[] {
	const strings = instrument.open.length;
	const [first] = system.rows;
	if (!first) return [];
	if (system.rows.length !== strings) {
		const has = system.rows.length === 1 ? 'one row' : `${system.rows.length} rows`;
		const message = `These are ${has} of tab; the instrument has ${strings} strings. Give one row a string, without gaps.`;
		problems.push({ line: first.line, column: 1, length: first.text.length, message });
		return [];
	}
	const flip = upsideDown(system.rows, instrument);
	const all = system.rows.map((row) => spans(row.text));
	const short = all.findIndex((bars) => bars.length !== all[0]!.length);
	if (short >= 0) {
		const { line, text } = system.rows[short]!;
		const message = `This row has ${all[short]!.length} bars, the first one ${all[0]!.length}: a bar line is missing.`;
		problems.push({ line, column: 1, length: text.length, message });
		return [];
	}
	return all[0]!.map(({ from, to }, bar) => {
		const marks = system.rows.flatMap((row, i) => {
			const span = all[i]![bar]!;
			return marksIn(row, flip ? strings - i : i + 1, span.from, span.to, system);
		});
		const counted: number[] = [];
		for (const match of system.counts?.slice(from, to).matchAll(/\d+/g) ?? []) {
			if (Number(match[0]) === counted.length + 1) counted.push(match.index);
		}
		return {
			marks: withFingers(inColumns(marks), from, system.fingers),
			width: to - from,
			counted
		};
	});
}

/**
 * Reads tab in plain text onto a chart. Where the beats are counted above the rows (`1 2 3 4`) the columns
 * are read against them; else each bar's width is its time, on the grid that fits best. A note rings until
 * the next one on any string, or on under `=` on its own string; a point on a string ends it. Signs tell how a note is
 * reached and what it does, a row of fingers beneath which one plays it, rows of `PM` and `let ring` above what else.
 * @param fromBar the played bar that the text begins in, from 1
 */
export function readTab(
	text: string,
	chart: Chart,
	instrument: Instrument,
	fromBar = 1
): LineText<PlayedText> {
	const problems: TextProblem[] = [];
	const bars = systemsOf(text).flatMap((system) => barsOf(system, instrument, problems));
	if (bars.length === 0 && problems.length === 0) {
		const message =
			'There is no tab here: give one row a string with bar lines, thinnest string on top.';
		problems.push({ line: 1, column: 1, length: 1, message });
	}
	const pairs = bars.flatMap((bar, i) => {
		const played = chart.played[fromBar - 1 + i];
		return played ? [{ bar, played, length: played.lengthTicks }] : [];
	});
	const over = bars[pairs.length];
	if (over) {
		const [mark] = over.marks;
		const at = mark ?? { line: 1, at: 0, length: 1 };
		const left = chart.played.length - fromBar + 1;
		const message = `The text has ${bars.length} bars, but only ${left} are left in the chart from bar ${fromBar} on.`;
		problems.push(problem(at, message));
	}
	const reading = bestReading(pairs.filter(({ bar }) => bar.counted.length < 2));
	const highest = highestFret(instrument);
	const columns = new Map<number, Mark[]>();
	for (const { bar, played } of pairs) {
		for (const mark of bar.marks) {
			const { kind, fret } = mark.sign;
			if (kind === 'fret' && fret > highest) {
				const message = `Fret ${fret} is not on this instrument, which ends at ${highest}.`;
				problems.push(problem(mark, message));
				continue;
			}
			const tick = played.startTick + tickOf(mark, bar, played, reading);
			const column = columns.get(tick) ?? [];
			if (
				kind === 'fret' &&
				column.some((other) => isFret(other) && other.string === mark.string)
			) {
				const message =
					'Two frets on one string at once: a string sounds one note at a time. Take one of them out.';
				problems.push(problem(mark, message));
				continue;
			}
			columns.set(tick, [...column, mark]);
		}
	}
	const end = pairs.at(-1)?.played;
	const until = end ? end.startTick + end.lengthTicks : 0;
	const notes = sounded(
		[...columns].sort(([a], [b]) => a - b),
		until
	);
	problems.sort((a, b) => a.line - b.line || a.column - b.column);
	return { notes, fromBar, toBar: fromBar + Math.max(0, pairs.length - 1), problems };
}

/** Where tab stands in a text: the first row of each system (line from 0), how many rows, and its bars. */
export function tabLines(text: string): {
	readonly first: number;
	readonly rows: number;
	readonly bars: readonly { from: number; to: number }[];
}[] {
	return systemsOf(text)
		.filter(({ rows }) => rows.length >= 4 && rows.every((row) => /[-–—]{2}/.test(row.text)))
		.map(({ rows }) => ({
			first: rows[0]!.line - 1,
			rows: rows.length,
			bars: spans(rows[0]!.text)
		}));
}
