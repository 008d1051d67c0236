import { type Chart } from '../chart';
import { highestFret, type Instrument } from '../neck';
import type { Technique } from '../route';
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
};
/** A sign before a fret says how it is reached, one behind it what the note does while it rings. */
const BEFORE: Readonly<Record<string, Technique>> = {
	h: 'hammer-on',
	p: 'pull-off',
	'/': 'slide',
	'\\': 'slide',
	b: 'bend'
};
const BEHIND: Readonly<Record<string, Technique>> = { '~': 'vibrato', '^': 'curl', t: 'trill' };

function systemsOf(text: string): System[] {
	const lines = text.replace(/\t/g, '    ').split(/\r?\n/);
	const systems: System[] = [];
	let rows: Row[] = [];
	let above: string | null = null;
	let last: string | null = null;
	const close = (below = '') => {
		const fingers = FINGER_ROW.test(below) ? below : null;
		if (rows.length > 0) systems.push({ rows, counts: above, fingers });
		rows = [];
	};
	lines.forEach((line, i) => {
		const found = ROW.exec(line.trimStart());
		if (found && (rows.length > 0 || /[-–—]{2}/.test(line))) {
			if (rows.length === 0) above = last;
			rows.push({ line: i + 1, label: found[1]!, text: line });
		} else close(line);
		last = !found && COUNTS.test(line) && /\b1\b/.test(line) ? line : null;
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

function marksIn(
	row: Row,
	string: number,
	from: number,
	to: number,
	fingers: string | null
): Mark[] {
	const found: Mark[] = [];
	const inside = row.text.slice(from, to);
	for (const match of inside.matchAll(/\d+|\./g)) {
		const [sign] = match;
		const column = match.index;
		const at = from + column;
		const finger = fingers === null ? NaN : Number(fingers[at]?.trim() || NaN);
		const reached = BEFORE[row.text[at - 1] ?? ''] ?? BEHIND[row.text[at + sign.length] ?? ''];
		found.push({
			string,
			fret: sign === '.' ? null : Number(sign),
			column,
			line: row.line,
			length: sign.length,
			at,
			technique: sign === '.' ? null : (reached ?? null),
			finger: finger >= 1 && finger <= 4 ? finger : null
		});
	}
	return found;
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
			return marksIn(row, flip ? strings - i : i + 1, span.from, span.to, system.fingers);
		});
		const counted: number[] = [];
		for (const match of system.counts?.slice(from, to).matchAll(/\d+/g) ?? []) {
			if (Number(match[0]) === counted.length + 1) counted.push(match.index);
		}
		return { marks, width: to - from, counted };
	});
}

/**
 * Reads tab in plain text onto a chart. Where the beats are counted above the rows (`1 2 3 4`) the columns
 * are read against them; else each bar's width is its time, on the grid that fits best. A note rings until
 * the next one, a point on a string ends it. Signs tell how a note is reached and what it does, a row of
 * fingers beneath which one plays it.
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
	const starts = new Map<number, Mark>();
	for (const { bar, played } of pairs) {
		for (const mark of bar.marks) {
			if (mark.fret !== null && mark.fret > highest) {
				const message = `Fret ${mark.fret} is not on this instrument, which ends at ${highest}.`;
				problems.push(problem(mark, message));
				continue;
			}
			const tick = played.startTick + tickOf(mark, bar, played, reading);
			const other = starts.get(tick);
			// A point gives way to a note on another string.
			if (other && mark.fret === null) continue;
			if (other && other.fret !== null) {
				const message = 'Two notes at once: a line has one note at a time. Take one of them out.';
				problems.push(problem(mark, message));
				continue;
			}
			starts.set(tick, mark);
		}
	}
	const end = pairs.at(-1)?.played;
	const until = end ? end.startTick + end.lengthTicks : 0;
	const order = [...starts].sort(([a], [b]) => a - b);
	const notes = order.flatMap(([tick, { string, fret, technique, finger }], i): PlayedText[] => {
		if (fret === null) return [];
		const durationTicks = (order[i + 1]?.[0] ?? until) - tick;
		return [{ tick, durationTicks, string, fret, technique, finger }];
	});
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
