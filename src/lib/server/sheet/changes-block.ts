import type { Notation } from '$core/pitch';
import type { Cell, Chart, WrittenBar } from '$core/chart';
import { signs } from '$core/chord';
import type { ChordFunction } from '$core/harmony';
import { line, type Ink } from './ink';
import { chordInk, fitted, widthOf, write } from './type';

const ROW = 25;
const SECTION = 13;

/** A row of written bars; `section` begins with it. */
type Row = { readonly bars: readonly WrittenBar[]; readonly section: string | null };

/** Written bars in rows; a section begins a row of its own. */
function rowsOf(chart: Chart, perRow: number): Row[] {
	return chart.sections.flatMap(({ name, times, from, to }) => {
		const rows: Row[] = [];
		for (let i = from; i < to; i += perRow) {
			const told = times > 1 ? `${name ?? 'Part'}, ${times} times` : name;
			rows.push({
				bars: chart.bars.slice(i, Math.min(to, i + perRow)),
				section: i === from ? told : null
			});
		}
		return rows;
	});
}

/** The numeral of each written chord, by bar and place in it; from the first time that it is played. */
function numeralsOf(chart: Chart, functions: readonly (ChordFunction | null)[] | null) {
	const found = new Map<Cell['span'], Notation>();
	if (functions) {
		for (const event of chart.events) {
			const numeral = functions[event.index]?.numeral;
			if (numeral && !found.has(event.span)) found.set(event.span, numeral);
		}
	}
	return (cell: Cell): Notation | null => found.get(cell.span) ?? null;
}

/** Sizes of chords, in points. */
const SIZES = [14, 10.5, 9, 7.5, 6.5, 5.5] as const;

/** Two heavy strokes and two points: a repeat begins or ends at `x`. */
function repeatInk(x: number, top: number, bottom: number, begins: boolean): Ink[] {
	const side = begins ? 1 : -1;
	const dot = 'M-1.1,0A1.1,1.1 0 1 1 1.1,0A1.1,1.1 0 1 1 -1.1,0Z';
	const middle = (top + bottom) / 2;
	return [
		line(x, top, x, bottom, { width: 2.4 }),
		line(x + 3 * side, top, x + 3 * side, bottom, { width: 0.7 }),
		...[-3.4, 3.4].map((dy): Ink => ({
			kind: 'path',
			d: dot,
			x: x + 6 * side,
			y: middle + dy,
			fill: 0
		}))
	];
}

function barInk(
	x: number,
	y: number,
	width: number,
	bar: WrittenBar,
	numeralOf: (cell: Cell) => Notation | null,
	afterRepeat: boolean
): Ink[] {
	const ink: Ink[] = [];
	const base = y + 18;
	const lead = bar.startsRepeat ? 11 : 5;
	const inset = afterRepeat ? 3 : 1;
	if (bar.endings.length > 0) {
		ink.push(line(x + inset, y - 1, x + 0.55 * width, y - 1, { width: 0.8 }));
		ink.push(...write(x + inset + 2, y + 5, `${bar.endings.join(', ')}.`, 'strong', 6.5));
	}
	ink.push(
		...write(x + width - 4, y + 7, String(bar.number), 'count', 6.5, { align: 'end', fill: 0.3 })
	);
	if (bar.repeatsBefore) {
		ink.push(line(x + lead + 3, base - 5, x + lead + 34, base - 5, { width: 1.4, dash: [1.4, 3] }));
		return ink;
	}
	const room = (width - lead - 2) / bar.cells.length;
	const roomOf = (i: number): number => {
		const next = bar.cells.findIndex((other, k) => k > i && other.kind !== 'hold');
		return ((next < 0 ? bar.cells.length : next) - i) * room - 2;
	};
	// All chords of a bar have one size: the largest at which each has room.
	const size =
		SIZES.find((one) =>
			bar.cells.every(
				(cell, i) => cell.kind !== 'chord' || chordInk(0, 0, cell.chord, one).width <= roomOf(i)
			)
		) ?? SIZES[SIZES.length - 1];
	bar.cells.forEach((cell, i) => {
		if (cell.kind === 'hold') return;
		const at = x + lead + i * room;
		const most = roomOf(i);
		const push = cell.push > 0 ? '‹' : '';
		const start = at + (push ? widthOf(push, 'strong', 9) : 0);
		if (push) ink.push(...write(at, base, push, 'strong', 9));
		if (cell.kind !== 'chord') {
			ink.push(...write(start, base, fitted(cell.text, 'quiet', 10, most), 'quiet', 10));
			return;
		}
		const chord = chordInk(start, base, cell.chord, size);
		ink.push(...chord.ink);
		const degree = numeralOf(cell);
		const numeral = degree ? signs(degree) : '';
		const left = most - chord.width - 4;
		if (numeral !== '' && widthOf(numeral, 'text', 8) <= left) {
			ink.push(...write(start + chord.width + 4, base, numeral, 'text', 8, { fill: 0.2 }));
		}
	});
	return ink;
}

/** Bars of three chords and more need room. */
export const isDense = (chart: Chart): boolean =>
	chart.bars.some(({ cells }) => cells.filter(({ kind }) => kind !== 'hold').length > 2);

/** The rows of the chart with chords, numerals, sections, repeats and endings, each from its own top. */
export function changesInk(
	chart: Chart,
	functions: readonly (ChordFunction | null)[] | null,
	x: number,
	width: number,
	perRow: number
): { ink: Ink[]; height: number }[] {
	const numeralOf = numeralsOf(chart, functions);
	const each = width / perRow;
	return rowsOf(chart, perRow).map(({ bars, section }) => {
		const ink: Ink[] = [];
		const top = section ? SECTION : 0;
		if (section) ink.push(...write(x, 9, section, 'strong', 8.5));
		const [high, low] = [top + 2, top + ROW - 4];
		bars.forEach((bar, i) => {
			const at = x + i * each;
			const before = bars[i - 1] as WrittenBar | undefined;
			ink.push(...barInk(at, top, each, bar, numeralOf, (before?.repeatTimes ?? 0) > 0));
			if (bar.startsRepeat) ink.push(...repeatInk(at, high, low, true));
			else if (!before || before.repeatTimes === 0)
				ink.push(line(at, high, at, low, { width: 0.8 }));
			const end = at + each;
			if (bar.repeatTimes > 0) {
				ink.push(...repeatInk(end, high, low, false));
				if (bar.repeatTimes > 2) {
					ink.push(
						...write(end - 9, low + 3, `${bar.repeatTimes} times`, 'strong', 6.5, { align: 'end' })
					);
				}
			} else if (i === bars.length - 1) ink.push(line(end, high, end, low, { width: 0.8 }));
		});
		return { ink, height: ROW + top };
	});
}
