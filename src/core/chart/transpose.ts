import { isMinorMode, parseChord, type Mode } from '../chord';
import {
	above,
	asciiAccidentals,
	noteName,
	parseNote,
	pitchClass,
	plainName,
	type Interval,
	type Note,
	notation,
	type Notation
} from '../pitch';
import { parseKey, splitHeader } from './headers';
import { tokens, withoutComment } from './tokens';

/** Tonics round the circle of fifths, as players write them for a mode. */
const CIRCLE: readonly Notation[] = [
	'C',
	'F',
	'Bb',
	'Eb',
	'Ab',
	'Db',
	'Gb',
	'B',
	'E',
	'A',
	'D',
	'G'
].map(notation);
const MINOR_CIRCLE: readonly Notation[] = [
	'C',
	'F',
	'Bb',
	'Eb',
	'G#',
	'C#',
	'F#',
	'B',
	'E',
	'A',
	'D',
	'G'
].map(notation);

/** The twelve tonics of a mode in circle-of-fifths order, from C by fourths. ASCII. */
export const circleOf = (mode: Mode): readonly Notation[] =>
	isMinorMode(mode) ? MINOR_CIRCLE : CIRCLE;

/** A note moved by an interval; one that would need three accidentals is respelled. */
function move(note: Note, interval: Interval): Note {
	const moved = above(note, interval);
	return Math.abs(moved.alter) <= 2 ? moved : (parseNote(plainName(pitchClass(moved))) ?? moved);
}

const ROOT = /^[A-G](?:bb|b|##|#)?/;
const moveName = (text: string, interval: Interval): string =>
	text.replace(ROOT, (name) => {
		const note = parseNote(name);
		return note ? noteName(move(note, interval)) : name;
	});

function moveSymbol(word: string, interval: Interval): string {
	const sign = /^<{0,2}/.exec(word)?.[0] ?? '';
	const symbol = asciiAccidentals(word.slice(sign.length));
	if (!parseChord(symbol)) return word;
	const slash = /\/([A-G](?:bb|b|##|#)?)$/.exec(symbol);
	const body = slash ? symbol.slice(0, slash.index) : symbol;
	return sign + moveName(body, interval) + (slash ? `/${moveName(slash[1]!, interval)}` : '');
}

function moveHeader(line: string, interval: Interval): string {
	const header = splitHeader(withoutComment(line));
	if (!header || (header.name !== 'key' && header.name !== 'scale')) return line;
	const value = asciiAccidentals(header.value);
	if (header.name === 'key' && !parseKey(value)) return line;
	const end = header.valueAt + header.value.length;
	return line.slice(0, header.valueAt) + moveName(value, interval) + line.slice(end);
}

/**
 * Transposes chart text by an interval: chords, slash basses, `key` and `scale`. Numerals, comments,
 * layout and whatever cannot be read stay as they are.
 * @example transposeText('| Bb7 | Eb7 |', { steps: 1, semitones: 2 }) // '| C7 | F7 |'
 */
export function transposeText(text: string, interval: Interval): string {
	let begun = false;
	return text
		.split('\n')
		.map((raw, i) => {
			const code = withoutComment(raw);
			if (!begun && splitHeader(code)) return moveHeader(raw, interval);
			if (!/[|[{]/.test(code)) return raw;
			begun = true;
			let [line, at] = ['', 0];
			for (const { kind, text: word, column, length } of tokens(code, i + 1)) {
				if (kind !== 'word') continue;
				line += raw.slice(at, column - 1) + moveSymbol(word, interval);
				at = column - 1 + length;
			}
			return line + raw.slice(at);
		})
		.join('\n');
}
