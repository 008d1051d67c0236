import type { Chart, PlayedBar } from '../chart';
import { pitchAt, placeLine, type Instrument } from '../neck';
import { mod, parseNote, parsePitch, pitchClass, pitchName } from '../pitch';
import { FINEST, slotsOf, unitOf } from './slots';
import type { LineText, TextNote, TextProblem } from './types';

type Token = { readonly text: string; readonly line: number; readonly column: number };

/** Bars of words, each !with where it stands. Empty bars between two lines count; those at the ends do not. */
function barsOf(text: string): Token[][] {
	const bars: Token[][] = [[]];
	text.split(/\r?\n/).forEach((row, i) => {
		for (const match of row.matchAll(/[|]+|[^\s|]+/g)) {
			const [word] = match;
			if (word.startsWith('|')) bars.push([]);
			else bars[bars.length - 1]!.push({ text: word, line: i + 1, column: match.index + 1 });
		}
		// A row that ends without a bar line ends its bar all the same.
		if (bars[bars.length - 1]!.length > 0) bars.push([]);
	});
	return bars.filter((bar) => bar.length > 0);
}

/** The pitch of a name: in its octave, or where none is given nearest to the one before. */
function midiOf(name: string, near: number): number | null {
	const capital = name.charAt(0).toUpperCase() + name.slice(1);
	const pitch = parsePitch(capital);
	if (pitch !== null) return pitch;
	const note = parseNote(capital);
	if (!note) return null;
	const pc = pitchClass(note);
	const up = mod(pc - near, 12);
	return up < 6 ? near + up : near + up - 12;
}

/**
 * Reads a line written as note names: `D4 F A♭ G | D♭ - . F`. Bars stand between `|`; what stands in a bar
 * shares its time evenly: a name plays (without an octave the one nearest to the note before), `-` holds
 * on, `.` is silence.
 * @param fromBar the played bar that the text begins in, from 1
 * @param position where the hand is: each note is put on the easiest place there
 */
export function readNames(
	text: string,
	chart: Chart,
	instrument: Instrument,
	position: number,
	fromBar = 1
): LineText {
	const problems: TextProblem[] = [];
	const tell = ({ line, column, text: word }: Token, message: string) =>
		problems.push({ line, column, length: word.length, message });
	const bars = barsOf(text);
	if (bars.length === 0) {
		const message = 'There is no note here: write names with spaces between, as in “D F Ab G”.';
		problems.push({ line: 1, column: 1, length: 1, message });
	}
	const found: { tick: number; end: number; midi: number; token: Token }[] = [];
	let ringing = false;
	// The middle of the place, where a first name without an octave is looked for.
	const middle = Math.ceil(instrument.open.length / 2);
	let near = pitchAt(instrument, { string: middle, fret: position + 1 });
	bars.forEach((words, i) => {
		const bar = chart.played[fromBar - 1 + i];
		if (!bar) {
			const left = chart.played.length - fromBar + 1;
			if (i === left)
				tell(words[0]!, `Only ${left} bars are left in the chart from bar ${fromBar} on.`);
			return;
		}
		const unit = bar.lengthTicks / words.length;
		if (unit % FINEST !== 0) {
			tell(
				words[0]!,
				`${words.length} places do not share bar ${fromBar + i} evenly: add “-” to hold on or “.” for silence.`
			);
			return;
		}
		words.forEach((word, k) => {
			const tick = bar.startTick + k * unit;
			const last = found.at(-1);
			if (/^[-–—~_]$/.test(word.text)) {
				if (ringing && last) last.end = tick + unit;
				return;
			}
			ringing = false;
			if (/^[.,·]$/.test(word.text)) return;
			const midi = midiOf(word.text, near);
			if (midi === null) {
				tell(word, `“${word.text}” is not a note name: write A to G with # or b, as in “Eb4”.`);
				return;
			}
			found.push({ tick, end: tick + unit, midi, token: word });
			[near, ringing] = [midi, true];
		});
	});
	const places = placeLine(
		instrument,
		position,
		found.map((note) => note.midi)
	);
	const notes = found.flatMap(({ tick, end, midi, token }, i): TextNote[] => {
		const place = places[i];
		if (place) return [{ ...place, tick, durationTicks: end - tick }];
		tell(token, `${pitchName(midi)} is not on this instrument: try another octave.`);
		return [];
	});
	const toBar = Math.min(chart.played.length, fromBar + Math.max(0, bars.length - 1));
	problems.sort((a, b) => a.line - b.line || a.column - b.column);
	return { notes, fromBar, toBar, problems };
}

/**
 * Writes a line as note names with octaves, a bar a row; `nameOf` spells a note.
 * @param bars the played bars to write, by default all
 */
export function writeNames<T extends TextNote>(
	chart: Chart,
	notes: readonly T[],
	nameOf: (note: T) => string,
	bars: readonly PlayedBar[] = chart.played
): string {
	const rows = bars.map((bar) => {
		const end = bar.startTick + bar.lengthTicks;
		const here = notes.filter(
			(note) => note.tick < end && note.tick + note.durationTicks > bar.startTick
		);
		const words = slotsOf(bar, here, unitOf([bar], here)).map((slot) =>
			slot === null ? '.' : slot === 'held' ? '-' : nameOf(slot as T)
		);
		return `| ${words.join(' ')} |`;
	});
	return `${rows.join('\n')}\n`;
}
