import { QUARTER, msPerTick, tempoWithin } from '../../kernel';
import { swingOf, swung } from '../../band';
import {
	LIMITS,
	parseChart,
	writeChart,
	type BarDraft,
	type Chart,
	type TimeSignature
} from '../../chart';
import { parseChord, type Key } from '../../chord';
import { ontoGrid } from '../../phrase';
import { sameMusic } from '../embedded';
import { keyOfFifths } from '../key-signature';
import { LeftOut, type FileReading, type ReadNote } from '../piece';
import { signatureOf } from '../signature';
import { DRUMS, fromBytes, merged, parseFile, type Timed } from './events';
import { heardLine, lineText, TEXTS } from './piece';
import { voicesOf, type Voice } from './voices';

/** What a file says besides its notes, in ticks of 480 to the quarter. */
type Frame = {
	readonly title: string | null;
	readonly tempo: number | null;
	readonly key: Key | null;
	readonly signatures: readonly { tick: number; signature: TimeSignature }[];
	readonly chords: readonly { tick: number; symbol: string }[];
	readonly names: readonly { tick: number; name: string }[];
	readonly texts: readonly string[];
	readonly end: number;
};

const SILENCE = /^n\.?\s?c\.?$/i;

function frameOf(events: readonly Timed[], scale: number, left: LeftOut): Frame {
	let title: string | null = null;
	let tempo: number | null = null;
	let key: Key | null = null;
	const signatures: { tick: number; signature: TimeSignature }[] = [];
	const chords = new Map<number, string>();
	const names: { tick: number; name: string }[] = [];
	const texts: string[] = [];
	let end = 0;
	for (const { tick: at, track, event } of events) {
		const tick = Math.round(at * scale);
		end = Math.max(end, tick);
		if (event.type === 'trackName' && track === 0) title ??= fromBytes(event.text).trim() || null;
		if (event.type === 'setTempo' && event.microsecondsPerBeat > 0) {
			const beats = Math.round(6000e6 / event.microsecondsPerBeat) / 100;
			// Whole microseconds leave a tempo a hair off.
			const near = Math.abs(beats - Math.round(beats)) < 0.02 ? Math.round(beats) : beats;
			const sane = tempoWithin(near);
			if (tempo === null) tempo = sane;
			else if (tempo !== sane) left.say('Changes of tempo are left out; the first one counts.');
		}
		if (event.type === 'keySignature') {
			if (key === null) key = keyOfFifths(event.key, event.scale === 1 ? 'minor' : 'major');
		}
		if (event.type === 'timeSignature') {
			const signature = signatureOf(event.numerator, event.denominator);
			if (signature) signatures.push({ tick, signature });
			else left.say(`A time signature is left out: ${event.numerator}/${event.denominator}.`);
		}
		if (event.type === 'marker' || event.type === 'text' || event.type === 'cuePoint') {
			const text = fromBytes(event.text).trimStart();
			if (text.startsWith('arc-step-')) texts.push(text);
			else if (SILENCE.test(text.trim())) chords.set(tick, 'N.C.');
			else if (parseChord(text.trim())) chords.set(tick, text.trim());
			else if (event.type === 'marker' && text.trim() !== '') {
				names.push({ tick, name: text.trim().slice(0, 80) });
			}
		}
	}
	return {
		...{ title, tempo, key, signatures, names, texts, end },
		chords: [...chords].map(([tick, symbol]) => ({ tick, symbol }))
	};
}

/** Bars to the end of the file, each with the chords that begin in it. */
function draftBars(frame: Frame, end: number, left: LeftOut): BarDraft[] {
	const bars: BarDraft[] = [];
	let signature: TimeSignature = { beats: 4, unit: 4 };
	let [at, next, chord, named] = [0, 0, 0, 0];
	while (at < end || bars.length === 0) {
		if (bars.length >= LIMITS.written) {
			left.say(`A chart has at most ${LIMITS.written} bars; the rest is left out.`);
			break;
		}
		while (next < frame.signatures.length && frame.signatures[next]!.tick <= at) {
			signature = frame.signatures[next++]!.signature;
		}
		const length = (signature.beats * 4 * QUARTER) / signature.unit;
		const chords: { tick: number; symbol: string }[] = [];
		while (chord < frame.chords.length && frame.chords[chord]!.tick < at + length) {
			const { tick, symbol } = frame.chords[chord++]!;
			chords.push({ tick: Math.max(0, tick - at), symbol });
		}
		let name: string | null = null;
		while (named < frame.names.length && frame.names[named]!.tick < at + length) {
			name = frame.names[named++]!.name;
		}
		bars.push({ signature, chords, ...(name === null ? {} : { section: { name, times: 1 } }) });
		at += length;
	}
	return bars;
}

/** Struck notes that are alike: the same keys at the same ticks, give or take one. */
function soundsLike(chart: Chart, notes: readonly ReadNote[], struck: Voice['notes']): boolean {
	const perSecond = 1000 / msPerTick(chart.headers.tempo);
	const played = notes.map((note) => ({ ...note, ...note.place }));
	const heard = heardLine(chart, played, ['line']).map(({ seconds, midi }) => ({
		from: Math.round(seconds * perSecond),
		midi
	}));
	// Key by key: of those that are struck at once any may be the first.
	const byKey = (a: { midi: number; from: number }, b: { midi: number; from: number }) =>
		a.midi - b.midi || a.from - b.from;
	const read = [...struck].sort(byKey);
	return (
		heard.length === read.length &&
		heard
			.sort(byKey)
			.every(({ from, midi }, i) => midi === read[i]!.midi && Math.abs(from - read[i]!.from) <= 1)
	);
}

/** Places that a note may be moved to: sixteenths, and triplets of eighths. */
const GRIDS = [QUARTER / 2, QUARTER / 4, QUARTER / 3, QUARTER / 6, QUARTER / 12];
/** A finer grid must bring the notes so many ticks nearer on average. */
const WORTH = 6;

/** Notes that are struck within so many ticks, 26 ms at 120, are meant as one. */
const TOGETHER = 25;

/** The line of a voice on the coarsest grid that its notes keep to, swing taken out. */
function written(voice: Voice, chart: Chart): ReadNote[] {
	const swing = swingOf(chart.headers.feel);
	// Only the place in its beat decides how late a note comes.
	const played = (tick: number): number => swung(tick, swing, { beats: 4, unit: 4 });
	const units = voice.notes.flatMap((note) => note.parts);
	const off = (grid: number): number => {
		const total = units.reduce((sum, { from }) => {
			const near = Math.round(from / grid);
			return (
				sum +
				Math.min(...[near - 1, near, near + 1].map((at) => Math.abs(played(at * grid) - from)))
			);
		}, 0);
		return total / Math.max(1, units.length);
	};
	let [grid, least] = [GRIDS[0]!, off(GRIDS[0]!)];
	for (const finer of GRIDS.slice(1)) {
		const here = off(finer);
		if (here < least - WORTH) [grid, least] = [finer, here];
	}
	const together = voice.several ? TOGETHER : 0;
	return ontoGrid(units, grid, played, together).map(({ of, ...note }) => ({
		...note,
		place: null,
		finger: null,
		technique: of.technique
	}));
}

/**
 * Reads a MIDI file: chords from its markers, bars, tempo and key, and the track that carries the line, on
 * the grid that it keeps to, with its bends. A file that was written here gives back chart and line as they
 * were, as long as its notes still say the same.
 */
export function readMidi(bytes: Uint8Array): FileReading {
	const read = parseFile(bytes);
	if ('error' in read) return read;
	const data = read.value;
	const { ticksPerBeat } = data.header;
	if (!ticksPerBeat) {
		return { error: 'The file counts in frames of film, not in beats: its bars cannot be told.' };
	}
	const left = new LeftOut();
	const scale = QUARTER / ticksPerBeat;
	const events = merged(data);
	const frame = frameOf(events, scale, left);
	const voices = voicesOf(events, scale, data.header.format).filter(
		({ channel }) => channel !== DRUMS
	);
	const line = chooseLine(voices);
	const named = frame.chords.some(({ symbol }) => symbol !== 'N.C.');
	if (!named && !line) return { error: 'The file has neither notes nor chord names.' };
	const bars = draftBars(frame, frame.end, left);
	const chartText = writeChart({ title: frame.title, key: frame.key, tempo: frame.tempo, bars });
	for (const bar of chartText.moved) {
		left.say(
			`The chords of bar ${bar} do not fit its beats; they are moved to the nearest sixteenth.`
		);
	}
	const found = parseChart(chartText.text);
	const own = frame.texts.find((text) => text.startsWith(TEXTS.chart))?.slice(TEXTS.chart.length);
	const ownChart = own === undefined ? null : parseChart(own);
	const trusted = ownChart !== null && sameMusic(ownChart, found) ? ownChart : null;
	const carried = frame.texts.find((text) => text.startsWith(TEXTS.line));
	const ownLine = trusted && carried ? lineText(carried) : null;
	const struck = line?.notes ?? [];
	const kept = trusted && ownLine && soundsLike(trusted, ownLine.notes, struck) ? ownLine : null;
	const others = voices.filter((voice) => voice !== line && !(kept && BAND.includes(voice.name)));
	if (line && others.length > 0) {
		const list = [...new Set(others.map(({ name }) => `“${name}”`))].join(', ');
		left.say(`Other tracks are left out: ${list}. The line is “${line.name}”.`);
	}
	const chart = trusted ?? found;
	return {
		value: {
			pieces: [
				{
					chart: trusted && own !== undefined ? own : named ? chartText.text : null,
					notes: kept?.notes ?? (line ? written(line, chart) : []),
					lineName: kept?.name ?? (line ? line.name : null)
				}
			],
			leftOut: left.sentences
		}
	};
}

/** Names of the tracks that the band plays in a file of our own. */
const BAND = ['Chords', 'Bass', 'Drums', 'Click'];

/** The voice that carries the line: one that says so, else the highest of those that play mostly one note at a time. */
function chooseLine(voices: readonly Voice[]): Voice | undefined {
	const said = voices.find(({ name }) => /^(line|lead|solo|melody)\b/i.test(name));
	if (said) return said;
	const single = voices.filter(({ notes, under }) => under <= notes.length / 5);
	const high = ({ notes }: Voice) =>
		notes.reduce((sum, { parts }) => sum + parts[0]!.midi, 0) / notes.length;
	return [...(single.length > 0 ? single : voices)].sort((a, b) => high(b) - high(a))[0];
}
