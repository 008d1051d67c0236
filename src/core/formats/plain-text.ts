import { QUARTER, clamp, tempoWithin } from '../kernel';
import {
	parseChart,
	parseKey,
	writeChart,
	type BarDraft,
	type ChordDraft,
	type TimeSignature
} from '../chart';
import { parseChord } from '../chord';
import {
	buildInstrument,
	instrumentOf,
	pitchAt,
	standardGuitar,
	tuningText,
	type Instrument
} from '../neck';
import { barsOfRow, chordWord } from './chord-pro';
import { fewEnough, LeftOut, type FileReading, type ReadNote } from './piece';
import { signatureOf } from './signature';
import { readTab, tabLines } from './tab-read';

/** Before the tab of a line: what it is called. */
export const LINE_MARK = '// Line: ';

const isChord = (word: string): boolean =>
	/^n\.?c\.?$/i.test(word) || parseChord(word.replace(/^\(|\)$/g, '')) !== null;
/** Signs that stand among chords without being any. */
const BESIDE = /^(?:[|:()\-–—,.*/%]+|x\d+|\d+x|\(x?\d+x?\))$/i;

/** The chords of a line that holds nothing else; null for any other line. */
function chordLine(line: string): { at: number; name: string }[] | null {
	const words = [...line.matchAll(/[^\s|]+/g)].map((match) => ({
		at: match.index,
		name: match[0]
	}));
	const chords = words.filter(({ name }) => isChord(name));
	if (chords.length === 0 || words.some(({ name }) => !isChord(name) && !BESIDE.test(name)))
		return null;
	// A lone A at the start of a line is a word as often as a chord.
	if (words.length === 1 && line.trim() === 'A' && !/^\s{2,}/.test(line)) return null;
	return chords;
}

const HEADING =
	/^\s*(?:\[([^\]|]{1,60})\]|((?:verse|chorus|refrain|bridge|intro|outro|solo|interlude|pre-?chorus|coda|ending|instrumental|tag|head|part|vamp)[^:]{0,30}):?)\s*$/i;
const FACT = /^(title|key|tempo|bpm|time|capo|tuning|artist|by)\s*[:=](.+)$/i;

type Facts = {
	title: string | null;
	key: string | null;
	tempo: number | null;
	capo: number;
	tuning: string | null;
	signature: TimeSignature;
};

const noFacts = (): Facts => ({
	...{ title: null, key: null, tempo: null, capo: 0, tuning: null },
	signature: { beats: 4, unit: 4 }
});

/** Takes a line that tells something of the tune; false for any other. */
function takeFact(facts: Facts, line: string, left: LeftOut): boolean {
	const [, name = '', text] = FACT.exec(line.trim()) ?? [];
	const value = text?.trim();
	if (!value) return false;
	const number = Number(/\d+(?:\.\d+)?/.exec(value)?.[0]);
	switch (name.toLowerCase()) {
		case 'title':
			facts.title = value;
			break;
		case 'key':
			facts.key = value;
			break;
		case 'tempo':
		case 'bpm':
			if (number > 0) facts.tempo = tempoWithin(number);
			break;
		case 'capo':
			if (Number.isInteger(number) && number <= 12) facts.capo = number;
			break;
		case 'tuning':
			if (buildInstrument(value)) facts.tuning = value;
			else left.say(`The tuning “${value.slice(0, 40)}” cannot be read and is left out.`);
			break;
		case 'time': {
			const [beats = NaN, unit] = value.split('/').map(Number);
			facts.signature = signatureOf(beats, unit) ?? facts.signature;
			break;
		}
		default:
			left.say('Names of people are left out.');
	}
	return true;
}

const headersOf = (facts: Facts) => ({
	...{ title: facts.title, tempo: facts.tempo, capo: facts.capo, tuning: facts.tuning },
	key: facts.key === null ? null : parseKey(facts.key)
});

/**
 * Reads chords written over words: lines of chords are bars, those with bar lines as these say, others a
 * bar for each chord. Names in brackets begin sections; the words are left out.
 */
export function readChordsOverWords(text: string): FileReading {
	const left = new LeftOut();
	const facts = noFacts();
	const bars: BarDraft[] = [];
	let section: string | null = null;
	let words = 0;
	const add = (bar: BarDraft) => {
		bars.push(section === null ? bar : { ...bar, section: { name: section, times: 1 } });
		section = null;
	};
	text.split(/\r\n|\r|\n/).forEach((line, i) => {
		if (line.trim() === '') return;
		const heading = HEADING.exec(line);
		const chords = chordLine(line);
		if (heading && !chords) section = (heading[1] ?? heading[2]!).trim();
		else if (chords && line.includes('|')) {
			const closed = `| ${line.trim().replace(/^\|/, '').replace(/\|?$/, '')} |`;
			for (const bar of barsOfRow(
				line.trim().startsWith('|') ? closed : `| ${line} |`,
				facts.signature
			).bars)
				add(bar);
		} else if (chords) {
			for (const { name } of chords) {
				const symbol = chordWord(name.replace(/^\(|\)$/g, ''));
				add({ signature: facts.signature, chords: [{ tick: 0, symbol }] });
			}
			left.say('The file does not say how long chords last: each has a bar of its own.');
		} else if (!takeFact(facts, line, left)) {
			if (bars.length === 0 && facts.title === null && i < 3 && words === 0)
				facts.title = line.trim();
			else words += 1;
		}
	});
	if (!bars.some((bar) => bar.chords.length > 0))
		return { error: 'There is no chord in this text.' };
	if (words > 0) {
		left.say(
			words === 1 ? 'One line of words is left out.' : `${words} lines of words are left out.`
		);
	}
	const { text: chart } = writeChart({ ...headersOf(facts), bars: fewEnough(bars, left) });
	return { value: { pieces: [{ chart, notes: [], lineName: null }], leftOut: left.sentences } };
}

/** The notes of tab, read onto a chart, as files carry them. */
function notesOn(tab: string, chart: string, instrument: Instrument, left: LeftOut): ReadNote[] {
	const read = readTab(tab, parseChart(chart), instrument);
	for (const { line, message } of read.problems.slice(0, 5))
		left.say(`Tab, line ${line}: ${message}`);
	return read.notes.map(({ string, fret, ...note }) => ({
		...note,
		midi: pitchAt(instrument, { string, fret }),
		place: { string, fret }
	}));
}

/** The tuning that the labels of six rows tell, where it is another than the usual one. */
function instrumentFor(facts: Facts, rows: number): Instrument {
	const told = facts.tuning === null ? null : buildInstrument(facts.tuning, 22, facts.capo);
	if (told && told.open.length === rows) return told;
	const usual = { ...standardGuitar(), capo: facts.capo };
	if (rows === 6) return usual;
	const presets = ['seven-string', 'bass', 'B1 E2 A2 D3 G3', 'B1 E2 A2 D3 G3 B3 E4 A4'];
	return (
		presets.flatMap((id) => buildInstrument(id) ?? []).find(({ open }) => open.length === rows) ??
		usual
	);
}

/** Bars of tab with the chords that stand over them, each at the nearest beat. */
function barsOverTab(text: string, signature: TimeSignature): BarDraft[] {
	const beat = (4 * QUARTER) / signature.unit;
	const lines = text.split(/\r\n|\r|\n/);
	return tabLines(text).flatMap(({ first, bars }) => {
		const above = [lines[first - 2] ?? '', lines[first - 1] ?? ''].map(chordLine);
		const chords = above.find((found) => found !== null) ?? [];
		return bars.map(({ from, to }, b): BarDraft => {
			const last = b === bars.length - 1;
			const inside = chords.filter(({ at }) => at >= from - 1 && (last || at < to));
			const drafts = new Map<number, ChordDraft>();
			for (const { at, name } of inside) {
				const share = clamp((at - from) / Math.max(1, to - from), 0, 0.999);
				const tick = Math.floor(share * signature.beats + 0.25) * beat;
				drafts.set(tick, {
					tick: Math.min(tick, (signature.beats - 1) * beat),
					symbol: chordWord(name)
				});
			}
			return { signature, chords: [...drafts.values()].sort((x, y) => x.tick - y.tick) };
		});
	});
}

/**
 * Reads tab in plain text: over the chart that stands before it, else over the chords above its rows; a
 * tab without either is a line without a tune.
 */
function readTabText(text: string): FileReading {
	const left = new LeftOut();
	const systems = tabLines(text);
	if (systems.length === 0) return { error: 'There is no tab in this text.' };
	const lines = text.split(/\r\n|\r|\n/);
	const mark = lines.findIndex((line) => line.startsWith(LINE_MARK));
	const start = mark >= 0 ? mark : systems[0]!.first - 2;
	const before = `${lines.slice(0, Math.max(0, start)).join('\n').trimEnd()}\n`;
	const tab = lines.slice(mark >= 0 ? mark + 1 : 0).join('\n');
	const lineName = mark >= 0 ? lines[mark]!.slice(LINE_MARK.length).trim() : null;
	const chart = parseChart(before);
	if (chart.changes.length > 0 && !chart.diagnostics.some(({ severity }) => severity === 'error')) {
		const { instrument } = instrumentOf(chart);
		const notes = notesOn(tab, before, instrument, left);
		return { value: { pieces: [{ chart: before, notes, lineName }], leftOut: left.sentences } };
	}
	const facts = noFacts();
	for (const line of lines.slice(0, systems[0]!.first)) takeFact(facts, line, left);
	const instrument = instrumentFor(facts, systems[0]!.rows);
	const tuning =
		tuningText(instrument) === tuningText(standardGuitar()) ? null : tuningText(instrument);
	const bars = fewEnough(barsOverTab(text, facts.signature), left);
	const named = bars.some((bar) => bar.chords.length > 0);
	const draft = named
		? bars
		: bars.map((bar) => ({ ...bar, chords: [{ tick: 0, symbol: 'N.C.' }] }));
	const written = writeChart({ ...headersOf(facts), tuning, bars: draft });
	const notes = notesOn(text, written.text, instrument, left);
	if (notes.length === 0 && !named)
		return { error: left.sentences[0] ?? 'There is no note in this tab.' };
	return {
		value: {
			pieces: [{ chart: named ? written.text : null, notes, lineName }],
			leftOut: left.sentences
		}
	};
}

/** Reads chart text as it stands. */
function readChartFile(text: string): FileReading {
	const chart = parseChart(text);
	const left = new LeftOut();
	const errors = chart.diagnostics.filter(({ severity }) => severity === 'error');
	for (const { line, message } of errors.slice(0, 5)) left.say(`Line ${line}: ${message}`);
	if (errors.length > 5) left.say(`${errors.length - 5} more places of the chart cannot be read.`);
	return {
		value: { pieces: [{ chart: text, notes: [], lineName: null }], leftOut: left.sentences }
	};
}

/** Reads a text file as what it is: tab, chart text, or chords over words. */
export function readPlainText(text: string): FileReading {
	if (tabLines(text).length > 0) return readTabText(text);
	const chart = parseChart(text);
	const errors = chart.diagnostics.filter(({ severity }) => severity === 'error');
	if (chart.changes.length > 0 && errors.length === 0) return readChartFile(text);
	const words = readChordsOverWords(text);
	// A chart with a slip in it is a chart, as long as most of its lines are bars.
	if (chart.changes.length > 0 && errors.length <= chart.bars.length / 2)
		return readChartFile(text);
	if (!('error' in words)) return words;
	return { error: 'There is neither a chart, nor chords over words, nor tab in this text.' };
}
