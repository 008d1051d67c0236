import { TEMPO, tempoWithin } from '../kernel';
import { MODE_NAMES, nearestWord, parseMode, type Key, type Mode } from '../chord';
import { asciiAccidentals, noteName, parseNote, type Note } from '../pitch';
import type { Report } from './diagnose';
import { FEELS, type Feel, type Headers, type Span, type TimeSignature } from './types';

const NAMES = ['title', 'key', 'scale', 'time', 'tempo', 'feel', 'tuning', 'capo'] as const;
type Name = (typeof NAMES)[number];

const DEFAULT_HEADERS: Headers = {
	title: null,
	key: null,
	scale: null,
	time: { beats: 4, unit: 4 },
	tempo: 100,
	feel: 'straight',
	tuning: null,
	capo: 0
};

/** A header line in its parts, or null when the line is none. */
export function splitHeader(line: string): { name: string; value: string; valueAt: number } | null {
	const colon = line.indexOf(':');
	if (colon < 0 || line[colon + 1] === '|') return null;
	const name = line.slice(0, colon).trim();
	if (!/^[A-Za-z][A-Za-z _-]*$/.test(name)) return null;
	const rest = line.slice(colon + 1);
	const value = rest.trim();
	const valueAt = value === '' ? colon + 1 : line.length - rest.trimStart().length;
	return { name: name.toLowerCase(), value, valueAt };
}

/** Reads `4/4` … `15/8`: numerator 2…15 over 4 or 8. */
export function parseSignature(text: string): TimeSignature | null {
	const match = /^\s*(\d{1,2})\s*\/\s*([48])\s*$/.exec(text);
	const beats = Number(match?.[1]);
	if (!match || beats < 2 || beats > 15) return null;
	return { beats, unit: match[2] === '4' ? 4 : 8 };
}

const SHORT_MODES: Record<string, Mode> = { '': 'major', m: 'minor', min: 'minor', maj: 'major' };

/** Reads `Bb`, `F# minor`, `F#m`, `Db lydian`, `Bb blues`. */
export function parseKey(text: string): Key | null {
	const match = /^([A-G](?:bb|b|##|#)?)(.*)$/.exec(asciiAccidentals(text).trim());
	const tonic = match && parseNote(match[1]!);
	if (!match || !tonic) return null;
	const word = match[2]!.trim().toLowerCase();
	const short = Object.hasOwn(SHORT_MODES, word) ? SHORT_MODES[word] : null;
	const mode = short ?? parseMode(word);
	return mode ? { tonic, mode } : null;
}

/** What a key is called elsewhere, or how a chord on its tonic is written. */
const MEANT: Readonly<Record<string, string>> = {
	...{ moll: 'minor', mi: 'minor', '-': 'minor', m7: 'minor', dur: 'major' },
	...{ maj7: 'major', m7b5: 'locrian' }
};

/**
 * The key that an unreadable text most likely means, as it would be written; null where its mode
 * cannot be told, because a wrong one would be worse than none.
 * @example suggestKey('c aeolien') // 'C aeolian'
 */
export function suggestKey(text: string): string | null {
	const match = /^([A-Ga-g])(bb|b|##|#)?(.*)$/.exec(asciiAccidentals(text).trim());
	if (!match) return null;
	const [, letter = '', sign = '', rest = ''] = match;
	const tonic = letter.toUpperCase() + sign;
	const word = rest
		.trim()
		.toLowerCase()
		.replace(/^-(?=.)/, '');
	for (const written of [tonic + rest, `${tonic} ${word}`]) if (parseKey(written)) return written;
	const meant = Object.hasOwn(MEANT, word) ? (MEANT[word] ?? null) : nearestWord(word, MODE_NAMES);
	return meant && `${tonic} ${meant}`;
}

/** A key in words: `Bb blues`, `F# minor`. ASCII. */
export const keyName = (key: Key): string => `${noteName(key.tonic)} ${key.mode}`;

/** Splits `Bb minor pentatonic` into tonic and name; the scale library decides about the name. */
function parseScaleName(text: string): { tonic: Note; name: string } | null {
	const match = /^([A-G](?:bb|b|##|#)?)\s+(\S.*)$/.exec(asciiAccidentals(text).trim());
	const tonic = match && parseNote(match[1]!);
	return match && tonic ? { tonic, name: match[2]!.toLowerCase().replace(/\s+/g, ' ') } : null;
}

type OpenHeaders = { -readonly [K in keyof Headers]: Headers[K] };

/** Reads header lines one by one; a line that cannot be read keeps the default and is reported. */
export class HeaderReader {
	readonly headers: OpenHeaders = { ...DEFAULT_HEADERS };
	private readonly seen = new Set<string>();

	constructor(private readonly report: Report) {}

	read(line: string, lineNumber: number): void {
		const header = splitHeader(line);
		if (!header) return;
		const nameAt = line.search(/\S/);
		const nameSpan: Span = { line: lineNumber, column: nameAt + 1, length: header.name.length };
		const span: Span = {
			line: lineNumber,
			column: header.valueAt + 1,
			length: Math.max(1, header.value.length)
		};
		const name = NAMES.find((known) => known === header.name);
		if (!name) {
			const known = NAMES.join(', ');
			this.report.warn(nameSpan, `“${header.name}” is not a header that is read. Known: ${known}.`);
			return;
		}
		if (this.seen.has(name)) {
			this.report.warn(nameSpan, `“${name}” stands here twice; the later line counts.`);
		}
		this.seen.add(name);
		if (header.value === '') {
			if (name !== 'title') this.report.warn(nameSpan, `“${name}” has no value.`);
			return;
		}
		this.take(name, header.value, span);
	}

	private take(name: Name, value: string, span: Span): void {
		const { headers, report } = this;
		if (name === 'title') headers.title = value.slice(0, 200);
		else if (name === 'tuning') headers.tuning = { text: value, span };
		else if (name === 'key') this.takeKey(value, span);
		else if (name === 'feel') {
			const feel = FEELS.find((known) => known === value.toLowerCase());
			if (feel) headers.feel = feel;
			else
				report.error(
					span,
					`“${value}” is not a feel. Use ${FEELS.join(', ')}.`,
					nearestFeel(value)
				);
		} else if (name === 'time') {
			const time = parseSignature(value);
			if (time) headers.time = time;
			else report.error(span, `“${value}” is not a time signature: 2 to 15 over 4 or 8.`, '4/4');
		} else if (name === 'tempo') {
			const tempo = Number(value);
			if (/^\d+(\.\d+)?$/.test(value) && tempo >= TEMPO.least && tempo <= TEMPO.most)
				headers.tempo = tempo;
			else
				report.error(
					span,
					`“${value}” is not a tempo: ${TEMPO.least} to ${TEMPO.most} quarter notes a minute.`,
					/^\d+$/.test(value) ? String(tempoWithin(tempo)) : null
				);
		} else if (name === 'capo') {
			const capo = Number(value);
			if (/^\d+$/.test(value) && capo <= 12) headers.capo = capo;
			else report.error(span, `“${value}” is not a capo fret: 0 to 12.`);
		} else {
			const scale = parseScaleName(value);
			if (scale) headers.scale = { ...scale, span };
			else report.error(span, `“${value}” is not a scale. Write it as “Bb minor pentatonic”.`);
		}
	}

	private takeKey(value: string, span: Span): void {
		if (value.toLowerCase() === 'auto') return;
		const key = parseKey(value);
		if (key) this.headers.key = key;
		else {
			const suggestion = suggestKey(value);
			const modes = MODE_NAMES.join(', ');
			this.report.error(
				span,
				`“${value}” is not a key. Write a note and, if it is not major, one of ${modes}; or auto.`,
				suggestion && suggestion !== value ? suggestion : null
			);
		}
	}
}

const nearestFeel = (value: string): Feel | null =>
	FEELS.find((feel) => feel.startsWith(value.toLowerCase().slice(0, 2))) ?? null;
