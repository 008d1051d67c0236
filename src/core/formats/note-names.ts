import type { Chart, PlayedBar } from '../chart';
import { pitchAt, placeLine, type Instrument } from '../neck';
import { placeNotes } from './place-notes';
import { mod, parseNote, parsePitch, pitchClass, pitchName } from '../pitch';
import { FINEST, columnsOf, unitOf } from './slots';
import type { LineText, TextNote, TextProblem } from './types';

/** A name, a sign, or several names between `<` and `>`, with where it stands. */
type Token = { readonly text: string; readonly line: number; readonly column: number };

/** Bars of words, each with where it stands. Empty bars between two lines count; those at the ends do not. */
function barsOf(text: string): Token[][] {
	const bars: Token[][] = [[]];
	text.split(/\r?\n/).forEach((row, i) => {
		for (const match of row.matchAll(/[|]+|<[^>|]*>?|[^\s|<]+/g)) {
			const [word] = match;
			if (word.startsWith('|')) bars.push([]);
			else bars[bars.length - 1]!.push({ text: word, line: i + 1, column: match.index + 1 });
		}
		// A row that ends without a bar line ends its bar all the same.
		if (bars[bars.length - 1]!.length > 0) bars.push([]);
	});
	return bars.filter((bar) => bar.length > 0);
}

/** The names of a word, each with where it stands: one, or those between the brackets. */
function namesIn({ text, line, column }: Token): Token[] {
	return [...text.matchAll(/[^\s<>]+/g)].map((match) => ({
		text: match[0],
		line,
		column: column + match.index
	}));
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

type Found = { tick: number; end: number; midi: number; token: Token };

/**
 * Reads a line written as note names: `D4 F A♭ G | <D♭4 F4> - . F`. Bars stand between `|`; what stands in a bar shares
 * its time evenly: a name plays (without an octave the one nearest to the note before), `<…>` plays several at once (`-A4`
 * among them rings on from before), `-` holds on, `.` is silence. Octaves are those that sound: the thickest string of a
 * guitar is E2.
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
	const found: Found[] = [];
	let ringing: Found[] = [];
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
			const end = tick + unit;
			if (/^[-–—~_]$/.test(word.text)) {
				for (const note of ringing) note.end = end;
				return;
			}
			const before = ringing;
			ringing = [];
			if (/^[.,·]$/.test(word.text)) return;
			if (word.text.startsWith('<') && !word.text.endsWith('>')) {
				tell(word, 'Notes at one time stand between < and >: the second sign is missing.');
			}
			const names = namesIn(word);
			if (names.length === 0) tell(word, 'There is no note between < and >.');
			for (const token of names) {
				const on = /^[-–—](?=.)/.test(token.text);
				const name = on ? token.text.slice(1) : token.text;
				const midi = midiOf(name, near);
				if (midi === null) {
					tell(token, `“${name}” is not a note name: write A to G with # or b, as in “Eb4”.`);
					continue;
				}
				near = midi;
				const held = on ? before.find((note) => note.midi === midi) : undefined;
				if (on && !held) {
					tell(token, `No ${name} rings here that could go on: leave the “-” out to strike it.`);
					continue;
				}
				if (held) held.end = end;
				else found.push({ tick, end, midi, token });
				ringing.push(held ?? found[found.length - 1]!);
			}
		});
	});
	const places = placeNotes(instrument, position, found);
	const notes = found.flatMap(({ tick, end, midi, token }, i): TextNote[] => {
		const place = places[i];
		if (place) return [{ ...place, tick, durationTicks: end - tick }];
		const alone = placeLine(instrument, position, [midi])[0];
		tell(
			token,
			alone
				? `${pitchName(midi)} has no string of its own beside the others: take one of them out, or move it by an octave.`
				: `${pitchName(midi)} is not on this instrument: try another octave.`
		);
		return [];
	});
	const toBar = Math.min(chart.played.length, fromBar + Math.max(0, bars.length - 1));
	notes.sort((a, b) => a.tick - b.tick || b.string - a.string);
	problems.sort((a, b) => a.line - b.line || a.column - b.column);
	return { notes, fromBar, toBar, problems };
}

/**
 * Writes a line as note names with octaves, a bar a row; `nameOf` spells a note. Notes at one time stand between `<` and
 * `>`, those that ring on among them behind a `-`.
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
		const words = columnsOf(bar, here, unitOf([bar], here)).map(({ begins, holds, ends }) => {
			const [struck, on] = [begins.map(nameOf), holds.map((note) => `-${nameOf(note)}`)];
			if (struck.length === 0 && ends.length === 0) return on.length > 0 ? '-' : '.';
			if (struck.length + on.length === 0) return '.';
			return struck.length === 1 && on.length === 0
				? struck[0]!
				: `<${[...on, ...struck].join(' ')}>`;
		});
		return `| ${words.join(' ')} |`;
	});
	return `${rows.join('\n')}\n`;
}
