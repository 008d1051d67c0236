import {
	type BarDraft,
	barTicks,
	type ChordDraft,
	parseChart,
	parseKey,
	shareStarts,
	type TimeSignature,
	writeChart
} from '../chart';
import { tempoWithin } from '../kernel';
import { OWN } from './chord-pro-write';
import { sameMusic } from './embedded';
import { fewEnough, type FileReading, LeftOut } from './piece';
import { signatureOf } from './signature';

const OWN_LINE = new RegExp(`^\\{${OWN}: ?(.*)\\}$`);
/** A chord name as a word of a chart: without what would end a bar or a word. */
export const chordWord = (text: string): string =>
	/^n\.?\s?c\.?$/i.test(text.trim())
		? 'N.C.'
		: text.replace(/[\s|{}[\]%]+/g, '').replace(/^[./]+$/, '');

/** A line that is one directive in braces, in its parts; null for any other. */
function directiveOf(line: string): { name: string; value: string } | null {
	const text = line.trim();
	if (!text.startsWith('{') || text.indexOf('}') !== text.length - 1) return null;
	const inside = text.slice(1, -1).trimStart();
	const name = /^[^:\s]+/.exec(inside)?.[0];
	if (name === undefined) return null;
	const rest = inside.slice(name.length).trimStart();
	return { name, value: (rest.startsWith(':') ? rest.slice(1) : rest).trimStart() };
}
const SECTIONS: Readonly<Record<string, string>> = {
	verse: 'Verse',
	sov: 'Verse',
	chorus: 'Chorus',
	soc: 'Chorus',
	bridge: 'Bridge',
	sob: 'Bridge',
	grid: '',
	sog: '',
	tab: '',
	sot: ''
};

type Reader = {
	title: string | null;
	key: string | null;
	tempo: number | null;
	capo: number;
	signature: TimeSignature;
	section: string | null;
	bars: BarDraft[];
	inGrid: boolean;
	inTab: boolean;
	words: number;
	lastChord: string | null;
};

function addBar(reader: Reader, chords: readonly ChordDraft[], more: Partial<BarDraft> = {}): void {
	const section = reader.section === null ? {} : { section: { name: reader.section, times: 1 } };
	reader.section = null;
	reader.bars.push({ signature: reader.signature, chords, ...section, ...more });
	reader.lastChord = chords.at(-1)?.symbol ?? reader.lastChord;
}

/** A bar whose words share it evenly; points and slashes hold. */
function sharedBar(words: readonly string[], signature: TimeSignature): ChordDraft[] {
	const starts = shareStarts(Math.max(1, words.length), signature);
	return words.flatMap((word, i) => {
		const symbol = chordWord(word);
		return symbol === '' || starts[i]! >= barTicks(signature) ? [] : [{ tick: starts[i]!, symbol }];
	});
}

/** The last bar ends a repeat that is played twice. */
function repeatLast(bars: BarDraft[]): void {
	const last = bars.pop();
	if (last) bars.push({ ...last, repeatTimes: 2 });
}

/** Bars between bar lines: a row of a grid, or a line of chords that has some. */
export function barsOfRow(
	row: string,
	signature: TimeSignature
): { bars: BarDraft[]; rest: string } {
	const bars: BarDraft[] = [];
	let forward = false;
	const first = row.search(/[|]/);
	const last = row.lastIndexOf('|');
	const inside = row.slice(first, last + 1);
	const lines = [...inside.matchAll(/:?\|+[:.]?/g)];
	for (const [i, { 0: line, index }] of lines.slice(0, -1).entries()) {
		const between = inside.slice(index + line.length, lines[i + 1]!.index);
		if (between.includes(':')) continue;
		const ending = /^\d(?=\s)/.exec(between)?.[0];
		const body = ending ? between.slice(1) : between;
		if (line.endsWith(':')) forward = true;
		if (line.startsWith(':') && bars.length > 0) {
			repeatLast(bars);
		}
		const words = body.trim().split(/\s+/).filter(Boolean);
		if (words.length === 0) continue;
		const repeat =
			words.length > 0 &&
			words.every((word) => word === '%' || word === '.' || word === '/') &&
			words.includes('%');
		bars.push({
			signature,
			chords: repeat ? [] : sharedBar(words, signature),
			startsRepeat: forward,
			...(ending ? { endings: [Number(ending)] } : {})
		});
		forward = false;
	}
	if (/:\|+[\].]?\s*$/.test(inside) && bars.length > 0) {
		repeatLast(bars);
	}
	return { bars, rest: row.slice(last + 1) };
}

function takeRow(reader: Reader, row: string): void {
	const { bars } = barsOfRow(row, reader.signature);
	for (const bar of bars) {
		const { chords, signature: _, ...more } = bar;
		addBar(reader, chords, more);
	}
}

function takeDirective(reader: Reader, name: string, value: string, left: LeftOut): void {
	const key = name.toLowerCase();
	const [, metaKey, metaValue = ''] = /^(\S+)\s(.*)$/.exec(value) ?? [];
	if (key === 'meta' && metaKey) return takeDirective(reader, metaKey, metaValue.trimStart(), left);
	const start = /^start_of_(\w+)$/.exec(key)?.[1] ?? (key in SECTIONS ? key : null);
	if (start !== null) {
		const label = /label\s*=\s*"([^"]*)"/.exec(value)?.[1] ?? value.trim();
		reader.inGrid = start === 'grid' || start === 'sog';
		reader.inTab = start === 'tab' || start === 'sot';
		// A grid may tell its shape instead of a name.
		const named = /^\d|shape=/.test(label) ? '' : label;
		const section = named || (SECTIONS[start] ?? start[0]!.toUpperCase() + start.slice(1));
		if (section !== '') reader.section = section;
		return;
	}
	if (/^(end_of_\w+|eo[vcbgt])$/.test(key)) {
		reader.inGrid = reader.inTab = false;
		return;
	}
	const number = Number(value);
	if (key === 'title' || key === 't') reader.title = value.trim();
	else if (key === 'key') reader.key = value.trim();
	else if (key === 'tempo' && Number.isFinite(number) && number > 0) {
		reader.tempo = tempoWithin(number);
	} else if (key === 'capo' && Number.isInteger(number) && number >= 0 && number <= 12) {
		reader.capo = number;
	} else if (key === 'time') {
		const [beats = NaN, unit] = value.split('/').map(Number);
		const signature = signatureOf(beats, unit);
		if (signature) reader.signature = signature;
		else left.say(`A time signature is left out: ${value}.`);
	} else if (key === 'comment' || key === 'c' || key === 'ci' || key === 'comment_italic') {
		if (value.length <= 40) reader.section = value.trim() || null;
	} else if (!key.startsWith('x_')) left.say(`The directive “${name}” is left out.`);
}

/** Chords in brackets between words. */
function takeLyrics(reader: Reader, line: string, left: LeftOut): void {
	const chords = [...line.matchAll(/\[([^[\]]*)\]/g)].map(([, name = '']) => name.trim());
	const words = line.replace(/\[[^[\]]*\]/g, '').replace(/[|\s.,-]/g, '');
	if (words !== '') reader.words += 1;
	if (/\|/.test(line) && chords.length > 0) return takeRow(reader, bracketless(line));
	for (const name of chords) {
		if (name.startsWith('*')) continue;
		const symbol = chordWord(name);
		if (symbol === '') continue;
		addBar(reader, [{ tick: 0, symbol }]);
		left.say('The file does not say how long chords last: each has a bar of its own.');
	}
}

/** The chords and bar lines of a line, without its words. */
const bracketless = (line: string): string => {
	const kept = [...line.matchAll(/\[([^[\]]*)\]|(:?\|+:?)/g)].map(([, name, bar]) => bar ?? name);
	const row = kept.join(' ');
	return `${row.startsWith('|') ? '' : '| '}${row}${row.endsWith('|') ? '' : ' |'}`;
};

/**
 * Reads ChordPro: title, key, time, tempo, capo, sections; grids bar by bar, chords between words as a bar
 * each. The words are left out. The chart's own text is taken as long as the grids say the same.
 */
export function readChordPro(text: string): FileReading {
	const left = new LeftOut();
	const reader: Reader = {
		...{ title: null, key: null, tempo: null, capo: 0, section: null, bars: [] },
		...{ signature: { beats: 4, unit: 4 }, inGrid: false, inTab: false, words: 0, lastChord: null }
	};
	const own: string[] = [];
	let sub = 0;
	for (const line of text.split(/\r\n|\r|\n/)) {
		const kept = OWN_LINE.exec(line);
		if (kept) {
			own.push(kept[1]!.replaceAll('⟨', '{').replaceAll('⟩', '}'));
			continue;
		}
		const directive = directiveOf(line);
		if (directive) {
			const { name, value } = directive;
			if (name === 'subtitle' || name === 'st' || name === 'artist') sub += 1;
			else takeDirective(reader, name, value, left);
		} else if (/^\s*#/.test(line) || line.trim() === '') continue;
		else if (reader.inTab) left.say('Tab inside the file is left out.');
		else if (reader.inGrid) takeRow(reader, line);
		else takeLyrics(reader, line, left);
	}
	if (sub > 0) left.say('Subtitle and names are left out.');
	if (reader.words > 0) {
		left.say(
			reader.words === 1
				? 'One line of words is left out.'
				: `${reader.words} lines of words are left out.`
		);
	}
	if (!reader.bars.some(({ chords }) => chords.length > 0)) {
		return { error: 'There is no chord in this file.' };
	}
	const { title, tempo, capo, bars } = reader;
	const key = reader.key === null ? null : parseKey(reader.key);
	const written = writeChart({ title, key, tempo, capo, bars: fewEnough(bars, left) });
	const found = parseChart(written.text);
	const ownText = own.join('\n');
	const trusted = own.length > 0 && sameMusic(parseChart(ownText), found, 'written');
	return {
		value: {
			pieces: [{ chart: trusted ? `${ownText}\n` : written.text, notes: [], lineName: null }],
			leftOut: left.sentences
		}
	};
}
