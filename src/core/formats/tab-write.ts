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
/** Bars stand side by side while a row stays within this many characters. */
const MOST = 84;

type Written = TextNote & { readonly technique?: string | null };

const labelsOf = (instrument: Instrument): string[] => {
	const wide = Math.max(...instrument.labels.map((label) => label.length));
	return instrument.labels.map((label, i) =>
		(i === 0 ? label.toLowerCase() : label).padEnd(wide, ' ')
	);
};

/** The counts over a bar: every beat where it begins. */
function counts(bar: PlayedBar, unit: number): string {
	const beat = beatTicks(bar.signature);
	const row = Array.from({ length: Math.round(bar.lengthTicks / unit) }, (_, i) => {
		const at = (i * unit) / beat;
		return Number.isInteger(at) ? String(at + 1) : '';
	});
	return row.map((text) => text.padEnd(WIDE)).join('');
}

function rowsOf(
	bar: PlayedBar,
	notes: readonly Written[],
	unit: number,
	strings: number
): string[][] {
	const rows = Array.from({ length: strings }, () => [] as string[]);
	let last = 0;
	let rang = false;
	for (const slot of slotsOf(bar, notes, unit)) {
		const cells = rows.map(() => '-'.repeat(WIDE));
		if (slot === 'held') rang = true;
		else if (slot) {
			const note = slot as Written;
			const ring = RINGING[note.technique ?? ''] ?? '';
			cells[note.string - 1] = `${note.fret}${ring}`.padEnd(WIDE, '-');
			const before = notes.findLast((other) => other.tick < note.tick);
			const down = note.technique === 'slide' && before !== undefined && before.fret > note.fret;
			const sign = down ? '\\' : SIGNS[note.technique ?? ''];
			const row = rows[note.string - 1];
			if (sign && row.length > 0 && row[row.length - 1].endsWith('-')) {
				row[row.length - 1] = row[row.length - 1].slice(0, -1) + sign;
			}
			[last, rang] = [note.string - 1, true];
		} else if (rang) {
			cells[last] = `.${'-'.repeat(WIDE - 1)}`;
			rang = false;
		}
		cells.forEach((cell, i) => rows[i].push(cell));
	}
	return rows;
}

/** The string of the last note that rings into a bar; −1 where none does. */
const ringsInto = (bar: PlayedBar, notes: readonly TextNote[]): number => {
	const note = notes.findLast((entry) => entry.tick < bar.startTick);
	return note && note.tick + note.durationTicks >= bar.startTick ? note.string - 1 : -1;
};

/**
 * Writes a line as tab in plain text: one row a string, thinnest on top, the beats counted above. A point
 * on a string ends the note that rings there; without one it rings until the next. Signs tell how a note is
 * reached: h hammer-on, p pull-off, / slide toward the body, \ toward the nut, b bend; ~ is vibrato, ^ a curl, t a trill.
 * @param bars the played bars to write, by default all
 */
export function writeTab(
	chart: Chart,
	instrument: Instrument,
	notes: readonly Written[],
	bars: readonly PlayedBar[] = chart.played
): string {
	const unit = unitOf(bars, notes);
	const labels = labelsOf(instrument);
	const indent = ' '.repeat(labels[0].length + 1);
	const systems: string[] = [];
	let above = indent;
	let rows = labels.map((label) => `${label}|`);
	const close = () => {
		if (rows[0].length > labels[0].length + 1) systems.push([above.trimEnd(), ...rows].join('\n'));
		[above, rows] = [indent, labels.map((label) => `${label}|`)];
	};
	for (const bar of bars) {
		const end = bar.startTick + bar.lengthTicks;
		const here = notes.filter(
			(note) => note.tick < end && note.tick + note.durationTicks > bar.startTick
		);
		const made = rowsOf(bar, here, unit, labels.length).map((row) => row.join(''));
		// A note that ended just at the bar line is silent from there on.
		const into = ringsInto(bar, notes);
		if (into >= 0 && slotsOf(bar, here, unit)[0] === null) {
			made[into] = `.${made[into].slice(1)}`;
		}
		if (rows[0].length + made[0].length + 1 > MOST) close();
		above += `${counts(bar, unit)} `;
		rows = rows.map((row, i) => `${row}${made[i]}|`);
	}
	close();
	return `${systems.join('\n\n')}\n`;
}
