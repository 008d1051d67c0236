import { beatTicks, type Chart, type PlayedBar } from '../chart';
import type { Instrument } from '../neck';
import { slotsOf, unitOf } from './slots';
import type { TextNote } from './types';

/** Signs before a fret that say how it is reached from the note before. */
const SIGNS: Readonly<Record<string, string>> = {
	'hammer-on': 'h',
	'pull-off': 'p',
	slide: '/',
	bend: 'b'
};
/** Signs after a fret that say what the note does while it rings. */
const RINGING: Readonly<Record<string, string>> = { vibrato: '~', curl: '^', trill: 't' };

/** Characters of one place of time: a fret of two digits and room for a sign. */
const WIDE = 3;
/** Each bar begins with one character, where a sign may stand before its first fret. */
const LEAD = 1;
/** What a row of fingers ends with. */
export const FINGERS = 'fingers';
/** Bars stand side by side while a row stays within this many characters. */
const MOST = 84;

type Written = TextNote & { readonly technique?: string | null; readonly finger?: number | null };

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

/** The counts over a bar: every beat where it begins. */
function counts(bar: PlayedBar, unit: number, wide: number): string {
	const beat = beatTicks(bar.signature);
	const row = Array.from({ length: Math.round(bar.lengthTicks / unit) }, (_, i) => {
		const at = (i * unit) / beat;
		return Number.isInteger(at) ? String(at + 1) : '';
	});
	return ' '.repeat(LEAD) + row.map((text) => text.padEnd(wide)).join('');
}

/** Signs of a row at their columns, each at least one space behind the one before. */
function spaced(marks: readonly { at: number; text: string }[], length: number): string {
	let row = '';
	for (const { at, text } of marks) {
		row = `${row.padEnd(row === '' ? at : Math.max(at, row.length + 1))}${text}`;
	}
	return row.padEnd(length);
}

/** The chords that begin in a bar, over their places. */
function chordRow(chart: Chart, bar: PlayedBar, unit: number, wide: number): string {
	const length = LEAD + Math.round(bar.lengthTicks / unit) * wide;
	const marks = chart.events.flatMap(({ startTick, symbol }) => {
		const offset = startTick - bar.startTick;
		const inside = offset >= 0 && offset < bar.lengthTicks;
		return inside ? [{ at: LEAD + Math.floor(offset / unit) * wide, text: symbol }] : [];
	});
	return spaced(marks, length);
}

/** The fingers of a bar, under their places. */
function fingerRow(bar: PlayedBar, notes: readonly Written[], unit: number, wide: number): string {
	const length = LEAD + Math.round(bar.lengthTicks / unit) * wide;
	const marks = slotsOf(bar, notes, unit).flatMap((slot, i) => {
		const finger = slot && slot !== 'held' ? (slot as Written).finger : null;
		return finger ? [{ at: LEAD + i * wide, text: String(finger) }] : [];
	});
	return spaced(marks, length);
}

function rowsOf(
	bar: PlayedBar,
	all: readonly Written[],
	notes: readonly Written[],
	unit: number,
	strings: number,
	wide: number
): string[][] {
	const rows = Array.from({ length: strings }, () => ['-'.repeat(LEAD)]);
	let last = 0;
	let rang = false;
	for (const slot of slotsOf(bar, notes, unit)) {
		const cells = rows.map(() => '-'.repeat(wide));
		if (slot === 'held') rang = true;
		else if (slot) {
			const note = slot as Written;
			const ring = RINGING[note.technique ?? ''] ?? '';
			cells[note.string - 1] = `${note.fret}${ring}`.padEnd(wide, '-');
			const before = all.findLast((other) => other.tick < note.tick);
			const down = note.technique === 'slide' && before !== undefined && before.fret > note.fret;
			const sign = down ? '\\' : SIGNS[note.technique ?? ''];
			const row = rows[note.string - 1]!;
			if (sign && row[row.length - 1]!.endsWith('-')) {
				row[row.length - 1] = row[row.length - 1]!.slice(0, -1) + sign;
			}
			[last, rang] = [note.string - 1, true];
		} else if (rang) {
			cells[last] = '.'.padEnd(wide, '-');
			rang = false;
		}
		cells.forEach((cell, i) => rows[i]!.push(cell));
	}
	return rows;
}

/** The string of the last note that rings into a bar; −1 where none does. */
const ringsInto = (bar: PlayedBar, notes: readonly TextNote[]): number => {
	const note = notes.findLast((entry) => entry.tick < bar.startTick);
	return note && note.tick + note.durationTicks >= bar.startTick ? note.string - 1 : -1;
};

/** A fret of two digits that is shaken leaves no room for the sign of the note right behind it. */
const isFull = (note: Written, next: Written | undefined, unit: number): boolean =>
	note.fret > 9 &&
	RINGING[note.technique ?? ''] !== undefined &&
	note.durationTicks === unit &&
	SIGNS[next?.technique ?? ''] !== undefined;

/**
 * Writes a line as tab in plain text: one row a string, thinnest on top, the beats counted above. A point
 * on a string ends the note that rings there; without one it rings until the next. Signs tell how a note is
 * reached: h hammer-on, p pull-off, / slide toward the body, \\ toward the nut, b bend; ~ is vibrato, ^ a curl, t a trill.
 * @param options `bars`: the played bars to write, by default all
 */
export function writeTab(
	chart: Chart,
	instrument: Instrument,
	notes: readonly Written[],
	{ bars = chart.played, chords = false, fingers = false }: TabOptions = {}
): string {
	const unit = unitOf(bars, notes);
	const full = notes.some((note, i) => isFull(note, notes[i + 1], unit));
	const wide = full ? WIDE + 1 : WIDE;
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
	for (const bar of bars) {
		const end = bar.startTick + bar.lengthTicks;
		const here = notes.filter(
			(note) => note.tick < end && note.tick + note.durationTicks > bar.startTick
		);
		const made = rowsOf(bar, notes, here, unit, labels.length, wide).map((row) => row.join(''));
		// A note that ended just at the bar line is silent from there on.
		const into = ringsInto(bar, notes);
		if (into >= 0 && slotsOf(bar, here, unit)[0] === null) {
			made[into] = `${made[into]!.slice(0, LEAD)}.${made[into]!.slice(LEAD + 1)}`;
		}
		if (rows[0]!.length + made[0]!.length + 1 > MOST) close();
		names = `${names}${chordRow(chart, bar, unit, wide)} `;
		above += `${counts(bar, unit, wide)} `;
		beneath += `${fingerRow(bar, here, unit, wide)} `;
		rows = rows.map((row, i) => `${row}${made[i]}|`);
	}
	close();
	return `${systems.join('\n\n')}\n`;
}
