import { beatTicks, type Chart, type PlayedBar } from '../chart';
import type { Instrument } from '../neck';
import { does, isDead, type Also, type Playing } from '../route';
import { neighbours } from './piece';
import { columnsOf, unitOf, type Column } from './slots';
import type { TextNote } from './types';

/** Signs before a fret that say how it is reached. */
const SIGNS: Readonly<Record<string, string>> = {
	'hammer-on': 'h',
	'pull-off': 'p',
	bend: 'b',
	release: 'r',
	tap: 't',
	'slide-from-below': '/',
	'slide-from-above': '\\'
};
/** Signs after a fret that say what the note does, in the order in which they are written. */
const AFTER: readonly (readonly [Also, string])[] = [
	['vibrato', '~'],
	['curl', '^'],
	['palm-mute', 'm'],
	['staccato', "'"],
	['let-ring', '_'],
	['down-stroke', 'd'],
	['up-stroke', 'u'],
	['slide-away-up', '/'],
	['slide-away-down', '\\']
];

/** Characters of one place of time: a fret of two digits and room for a sign. */
const WIDE = 3;
/** Each bar begins with one character at least, where a sign may stand before its first fret. */
const LEAD = 1;
/** What a row of fingers ends with. */
export const FINGERS = 'fingers';
/** Bars stand side by side while a row stays within this many characters. */
const MOST = 84;

type Written = TextNote & Partial<Playing> & { readonly finger?: number | null };

/** What stands beside the frets: names of the chords above, fingers beneath. */
export type TabOptions = {
	readonly bars?: readonly PlayedBar[];
	readonly chords?: boolean;
	readonly fingers?: boolean;
};

const labelsOf = (instrument: Instrument): string[] => {
	const wide = Math.max(...instrument.labels.map((label) => label.length));
	return instrument.labels.map((label, i) =>
		(i === 0 ? label.toLowerCase() : label).padEnd(wide, ' ')
	);
};

/** How the places of a system are laid out: characters before the first, and of each. */
type Layout = { readonly unit: number; readonly lead: number; readonly wide: number };

/** The counts over a bar: every beat where it begins. */
function counts(bar: PlayedBar, { unit, lead, wide }: Layout): string {
	const beat = beatTicks(bar.signature);
	const row = Array.from({ length: Math.round(bar.lengthTicks / unit) }, (_, i) => {
		const at = (i * unit) / beat;
		return Number.isInteger(at) ? String(at + 1) : '';
	});
	return ' '.repeat(lead) + row.map((text) => text.padEnd(wide)).join('');
}

/** Signs of a row at their columns, each at least one space behind the one before. */
function spaced(marks: readonly { at: number; text: string }[], length: number): string {
	let row = '';
	for (const { at, text } of marks) {
		row = `${row.padEnd(row === '' ? at : Math.max(at, row.length + 1))}${text}`;
	}
	return row.padEnd(length);
}

const widthOf = (bar: PlayedBar, { unit, lead, wide }: Layout): number =>
	lead + Math.round(bar.lengthTicks / unit) * wide;

/** The chords that begin in a bar, over their places. */
function chordRow(chart: Chart, bar: PlayedBar, layout: Layout): string {
	const { unit, lead, wide } = layout;
	const marks = chart.events.flatMap(({ startTick, symbol }) => {
		const offset = startTick - bar.startTick;
		const inside = offset >= 0 && offset < bar.lengthTicks;
		return inside ? [{ at: lead + Math.floor(offset / unit) * wide, text: symbol }] : [];
	});
	return spaced(marks, widthOf(bar, layout));
}

/** The fingers of a bar, under their places: a digit for each note, from the thinnest string; 0 for none. */
function fingerRow(bar: PlayedBar, columns: readonly Column<Written>[], layout: Layout): string {
	const marks = columns.flatMap(({ begins }, i) => {
		const notes = [...begins].sort((a, b) => a.string - b.string);
		const text = notes.map(({ finger }) => finger ?? 0).join('');
		return /[1-4]/.test(text) ? [{ at: layout.lead + i * layout.wide, text }] : [];
	});
	return spaced(marks, widthOf(bar, layout));
}

/** What stands before a fret: its grace note, and how it is reached. */
function prefixOf(note: Written, before: Written | undefined): string {
	const { technique, grace, bend, fret } = note;
	const lead = grace === undefined ? '' : `(${grace})`;
	const joined = before !== undefined && before.tick + before.durationTicks === note.tick;
	if (technique === 'slide') {
		const from = grace ?? before?.fret ?? 0;
		return `${lead}${from > fret ? '\\' : '/'}`;
	}
	if (bend !== undefined && (technique === 'bend' || technique === 'pre-bend')) return lead;
	const sign = SIGNS[technique ?? ''] ?? '';
	const nowhere = technique === 'slide-from-below' || technique === 'slide-from-above';
	// One sign would slide from the note before.
	return `${lead}${nowhere && (joined || lead !== '') ? sign + sign : sign}`;
}

/** A fret and what the note does. */
function bodyOf(note: Written): string {
	const { fret, bend, trill, technique } = note;
	const dead = isDead(note);
	const head = dead ? (fret === 0 ? 'x' : `x${fret}`) : String(fret);
	const up = technique === 'pre-bend' ? 'B' : 'b';
	const down = does(note, 'release') && technique !== 'release' ? `r${fret}` : '';
	const bent = bend === undefined ? '' : `${up}${fret + bend}${down}`;
	const shaken = does(note, 'trill') ? `t${trill === undefined ? '' : fret + trill}` : '';
	const signs = AFTER.filter(([also]) =>
		also === 'vibrato' || also === 'curl' ? does(note, also) : note.also?.includes(also)
	);
	return `${head}${bent}${shaken}${signs.map(([, sign]) => sign).join('')}`;
}

/** A sign that would be read together with what stands right before it needs a dash between. */
const needsDash = (prefix: string, body: string): boolean =>
	/^[brt]/.test(prefix) || (/[/\\]$/.test(body) && /^[(/\\]/.test(prefix));

/** The cells of a string in a bar. */
type Cell = { readonly prefix: string; readonly body: string };
const EMPTY: Cell = { prefix: '', body: '' };

/** What stands on every string at every place of a bar. */
function cellsOf(
	columns: readonly Column<Written>[],
	prefixes: ReadonlyMap<Written, string>,
	strings: number
): Cell[][] {
	return columns.map(({ begins, ends, holds }) => {
		const cells = Array.from({ length: strings }, () => EMPTY);
		for (const note of begins) {
			cells[note.string - 1] = { prefix: prefixes.get(note) ?? '', body: bodyOf(note) };
		}
		for (const { string } of begins.length > 0 ? holds : []) {
			if (cells[string - 1] === EMPTY) cells[string - 1] = { prefix: '', body: '=' };
		}
		for (const { string } of begins.length > 0 ? [] : ends) {
			cells[string - 1] = { prefix: '', body: '.' };
		}
		return cells;
	});
}

/** The least layout in which every sign of a text has its place. */
function layoutOf(bars: readonly (readonly Cell[][])[], unit: number): Layout {
	let [lead, wide] = [LEAD, WIDE];
	for (const columns of bars) {
		for (const cell of columns[0] ?? []) lead = Math.max(lead, cell.prefix.length);
		columns.forEach((cells, i) => {
			cells.forEach(({ body }, string) => {
				const next = columns[i + 1]?.[string];
				const prefix = next?.prefix ?? '';
				const close = prefix === '' ? /^[\dx]/.test(next?.body ?? '') : needsDash(prefix, body);
				// A grace note leaves the column before it free: what stands over it would belong to its note.
				const dash = (body !== '' && close) || prefix.startsWith('(') ? 1 : 0;
				wide = Math.max(wide, body.length + dash + prefix.length);
			});
		});
	}
	return { unit, lead, wide };
}

/** The rows of a bar. */
function rowsOf(columns: readonly (readonly Cell[])[], strings: number, layout: Layout): string[] {
	const { lead, wide } = layout;
	return Array.from({ length: strings }, (_, string) => {
		const before = (prefix: string, room: string) =>
			room.slice(0, room.length - prefix.length) + prefix;
		let row = before(columns[0]?.[string]?.prefix ?? '', '-'.repeat(lead));
		columns.forEach((cells, i) => {
			const cell = cells[string]!.body.padEnd(wide, '-');
			row += before(columns[i + 1]?.[string]?.prefix ?? '', cell);
		});
		return row;
	});
}

/**
 * Writes a line as tab in plain text: one row a string, thinnest on top, the beats counted above; notes that begin at one
 * time stand in one column. A note rings until the next one on any string, or on where `=` stands on its string then; a
 * point ends it. Signs before a fret tell how it is reached: h hammer-on, p pull-off, / and \\ slides (doubled: from no
 * note), b bend and r release of the note before, t tap, (5) a grace note. Behind it what it does: 7b9 bend, 7B9 bent
 * before it is struck, 7b9r7 let down again, ~ vibrato, ^ a curl, t a trill, t9 with fret 9, m palm mute, ' staccato, _ let
 * ring, d and u strokes, / and \\ away; x is a dead note.
 * @param options `bars`: the played bars to write, by default all
 */
export function writeTab(
	chart: Chart,
	instrument: Instrument,
	notes: readonly Written[],
	{ bars = chart.played, chords = false, fingers = false }: TabOptions = {}
): string {
	const unit = unitOf(bars, notes);
	const sorted = [...notes].sort((a, b) => a.tick - b.tick || b.string - a.string);
	const near = neighbours(sorted);
	const prefixes = new Map(
		sorted.map((note, i) => [note, prefixOf(note, sorted[near[i]!.before])] as const)
	);
	const strings = instrument.labels.length;
	const columns = bars.map((bar) => columnsOf(bar, sorted, unit));
	const cells = columns.map((bar) => cellsOf(bar, prefixes, strings));
	const layout = layoutOf(cells, unit);
	const labels = labelsOf(instrument);
	const indent = ' '.repeat(labels[0]!.length + 1);
	const systems: string[] = [];
	let [names, above, beneath] = [indent, indent, indent];
	let rows = labels.map((label) => `${label}|`);
	const close = () => {
		if (rows[0]!.length > labels[0]!.length + 1) {
			const under = fingers && beneath.trim() !== '' ? [`${beneath}${FINGERS}`] : [];
			const over = chords && names.trim() !== '' ? [names.trimEnd()] : [];
			systems.push([...over, above.trimEnd(), ...rows, ...under].join('\n'));
		}
		[names, above, beneath] = [indent, indent, indent];
		rows = labels.map((label) => `${label}|`);
	};
	bars.forEach((bar, i) => {
		const made = rowsOf(cells[i]!, strings, layout);
		if (rows[0]!.length + made[0]!.length + 1 > MOST) close();
		names = `${names}${chordRow(chart, bar, layout)} `;
		above += `${counts(bar, layout)} `;
		beneath += `${fingerRow(bar, columns[i]!, layout)} `;
		rows = rows.map((row, r) => `${row}${made[r]}|`);
	});
	close();
	return `${systems.join('\n\n')}\n`;
}
