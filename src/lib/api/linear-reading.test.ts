import { parseChart, parseKey, readProgression, setHeader, transposeText } from '$core/chart';
import { completions, parseChord, parseNumeral, proseSigns, suggestSymbol } from '$core/chord';
import { parseXml, readFile, readNames, readTab } from '$core/formats';
import { buildScale, keyOf, parseDegrees } from '$core/harmony';
import { buildInstrument, standardGuitar } from '$core/neck';
import { readMotif } from '$core/phrase';
import { readCell } from '$core/route';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

const SIZE = 64 * 1024;
/** How much longer than ordinary input of the same size anything else may take. */
const MOST_TIMES = 10;
/** More when they are asked for: `VITE_LINEAR_RUNS=all` tries every unit there is. */
const WANTED = String(import.meta.env.VITE_LINEAR_RUNS ?? '6');

const filled = (unit: string, size = SIZE): string =>
	unit.repeat(Math.ceil(size / unit.length)).slice(0, size);
const C_MAJOR = { tonic: { letter: 0, alter: 0 }, mode: 'major' } as const;
const CHART = '[Head]\n| Bb7 | Eb7 . . G7(b9) |: <Cm7 % :| x2 1. F7/A | IV7 | // words\n';
const HEADERS = ['key: C', 'key:', 'title:', 'scale: C', 'tuning: ', 'time: 3', 'tempo:', 'x'];
const chart = parseChart('key: C\n| C | F | G7 | C |');
const guitar = standardGuitar();
const bytes = (text: string) => new TextEncoder().encode(text);

type Reader = {
	readonly read: (text: string) => unknown;
	/** A piece of what it is meant for. */
	readonly ordinary: string;
	/** Signs that mean something to it. */
	readonly signs: string;
	/** What may stand before the repeated unit, and behind it. */
	readonly before?: readonly string[];
	readonly after?: readonly string[];
};
const READERS: Readonly<Record<string, Reader>> = {
	chart: {
		read: parseChart,
		ordinary: CHART,
		signs: 'Cb7|:%<.,/x{}',
		before: ['[', '[x', '| ', '| C(', '{', '| :', 'a', ':|', '| 1.', ' |: C :| x'],
		after: ['x', ' x2]', ']', '}', ' |', ':', ')']
	},
	home: { read: (text) => keyOf(parseChart(text)), ordinary: CHART, signs: 'Cb7|:%.' },
	header: {
		read: parseChart,
		ordinary: 'title: a tune of some length, with words in it, as it may be\n',
		signs: 'Ca#:',
		before: HEADERS,
		after: ['x', ':|', '\n| C |']
	},
	// A bar line makes a line of chords of it, which are more to read than words.
	'header with bars': {
		read: parseChart,
		ordinary: CHART,
		signs: 'Ca#:|',
		before: HEADERS,
		after: ['x', ':|', '\n| C |']
	},
	'a header set': {
		read: (text) => setHeader(text, 'tempo', '90'),
		ordinary: CHART,
		signs: 'Ca:|',
		before: ['key: C', 'tempo']
	},
	transposition: {
		read: (text) => transposeText(text, { steps: 1, semitones: 2 }),
		ordinary: CHART,
		signs: 'Cb7|:%',
		before: ['key: C', '| ']
	},
	chord: {
		read: (text) => [parseChord(text), suggestSymbol(text), completions(text), proseSigns(text)],
		ordinary: 'C7b9/E ',
		signs: 'Cbm7(),/+s#',
		before: ['C', 'C7(', 'Cm', 'C/']
	},
	numeral: {
		read: (text) => parseNumeral(text, C_MAJOR),
		ordinary: 'bVII7/ii ',
		signs: 'bIVi7/°m',
		before: ['V', 'V7/', 'bVII']
	},
	key: { read: parseKey, ordinary: 'Bb blues ', signs: 'Cb#m', before: ['C', 'C '] },
	'search words': {
		read: (text) => readProgression(text, C_MAJOR),
		ordinary: 'Dm7 | G7 -> ',
		signs: 'Cm7|,;>→–',
		before: ['C ', 'C -']
	},
	degrees: { read: parseDegrees, ordinary: '1 b3 4 ', signs: '1b#3,' },
	scale: {
		read: (text) => buildScale(C_MAJOR.tonic, text),
		ordinary: 'minor pentatonic ',
		signs: 'ma1b'
	},
	tuning: { read: (text) => buildInstrument(text), ordinary: 'E2 A2 D3 ', signs: 'E2b#' },
	cell: { read: (text) => readCell(text, 8), ordinary: 'x-x.', signs: 'x.' },
	motif: {
		read: (text) =>
			(['role', 'degree', 'interval'] as const).map((basis) => readMotif(text, basis)),
		ordinary: '. 5 R b3^ - 5_ ',
		signs: 'R5b^_,.|>',
		before: ['R', '| ', '> '],
		after: ['x', ' > R']
	},
	'note names': {
		read: (text) => readNames(text, chart, guitar, 5),
		ordinary: 'G4 Bb4 - . C5 ',
		signs: 'GbC#45.,|/h~'
	},
	tab: {
		read: (text) => readTab(text, chart, guitar),
		ordinary: 'e|--5h7-----|-----|\nB|------8b--|-----|\nG|----------|--7--|\n       1  fingers\n',
		signs: 'eB|hp/b~x(){}—',
		before: ['e|--', '|', 'e', '1 ', '\n\n'],
		after: ['x', '|', ' fingers', ' fingersx']
	},
	ChordPro: {
		read: (text) => readFile('a.cho', bytes(text)),
		ordinary: '{start_of_verse: One}\n[Am]words [G7]between [F]chords\n{c: more}\n',
		signs: 'Cm{}:|=",.*#',
		before: ['{', '{title', '{meta: a', '{sov: label="', '|', '{sog}\n|', '['],
		after: ['x', '}', '} x', ']', '|']
	},
	'chords over words': {
		read: (text) => readFile('a.txt', bytes(text)),
		ordinary: 'title: Song\n\n[Verse]\nC    G7/B  Am\nwords and words\n| F  C/E | Dm7 |\n',
		signs: 'CAm|:=/x',
		before: ['key:', 'title ', '[', 'verse', 'by:', 'C '],
		after: ['x', ':', ']', '\nC\nwords']
	},
	'XML text': {
		read: parseXml,
		ordinary: '<note><pitch><step>C</step></pitch><lyric n="1">la</lyric></note>',
		signs: '<>/a="\'!?&;',
		before: ['<', '<a ', '<a b="', '<!--', '<![CDATA[', '<!DOCTYPE a [', '&'],
		after: ['x', '>', '-->', '"/>']
	},
	MusicXML: {
		read: (text) => readFile('a.musicxml', bytes(text)),
		ordinary: '<score-partwise><part id="a"><measure><note/></measure></part></score-partwise>',
		signs: '<>/a="?!&',
		before: ['<score-partwise>', '<score-partwise><part><measure>']
	}
};

/** Milliseconds of the processor; how long others keep it from us does not count. */
function cost(read: (text: string) => unknown, text: string): number {
	const before = process.cpuUsage();
	read(text);
	const { user, system } = process.cpuUsage(before);
	return (user + system) / 1000;
}
/** The least of some tries: what else the engine does meanwhile is not meant. */
function least(read: (text: string) => unknown, text: string, enough: number, tries: number) {
	let best = Infinity;
	for (let i = 0; i < tries && best > enough; i++) best = Math.min(best, cost(read, text));
	return best;
}
/** What reading the yardstick, an ordinary chart, costs: a reader that refuses at once is measured by it. */
const yardstick = least(parseChart, filled(CHART), 0, 5) / 4;

const unitsOf = (signs: string): string[] => [...new Set([...signs, ...' \t-0[]('])];

function* textsOf({ signs, before = [], after = [] }: Reader): Generator<string> {
	const letters = unitsOf(signs);
	const [heads, tails] = [
		['', ...before],
		['', 'x', '\0', ...after]
	];
	// What a head is made for is a run of one sign, most of all of blanks: these are always tried.
	for (const head of heads) {
		yield head + filled(' ') + 'x';
		yield head + filled(head.at(-1) ?? '[') + 'x';
	}
	if (WANTED === 'all') {
		const shorter = ['', ...letters];
		const units = shorter.flatMap((a) => shorter.flatMap((b) => letters.map((c) => a + b + c)));
		for (const [i, unit] of units.entries()) {
			yield heads[i % heads.length] + filled(unit) + tails[i % tails.length];
		}
		return;
	}
	const unit = fc.array(fc.constantFrom(...letters), { minLength: 1, maxLength: 3 });
	const text = fc
		.tuple(fc.constantFrom(...heads), unit, fc.constantFrom(...tails))
		.map(([head, parts, tail]) => head + filled(parts.join('')) + tail);
	yield* fc.sample(text, { numRuns: Number(WANTED), seed: 19 });
}

describe('reading takes time that grows with the length of the text alone', () => {
	it.each(Object.entries(READERS))('%s', { timeout: 1_800_000 }, (_, reader) => {
		const { read, ordinary } = reader;
		const own = least(read, filled(ordinary), 0, 5);
		const most = MOST_TIMES * Math.max(own, yardstick);
		for (const text of textsOf(reader)) {
			const took = least(read, text, most, 24);
			expect(took, `${JSON.stringify(text.slice(0, 20))} … ${text.slice(-8)}`).toBeLessThan(most);
		}
	});
});
