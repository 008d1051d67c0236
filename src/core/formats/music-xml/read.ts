import {
	barTicks,
	LIMITS,
	parseChart,
	writeChart,
	type BarDraft,
	type Feel,
	type TimeSignature
} from '../../chart';
import { parseChord, parseMode, transposeChord, type Key } from '../../chord';
import { buildInstrument, instrumentKey, instrumentOf } from '../../neck';
import { above, pitchName, type Interval } from '../../pitch';
import { sameMusic } from '../embedded';
import { keyOfFifths } from '../key-signature';
import { LeftOut, type FileReading, type ReadNote } from '../piece';
import { signatureFor } from '../signature';
import { FIELDS } from './write';
import { lineOf } from './line';
import type { RawNote } from './raw-note';
import { readMeasure } from './measure';
import { startOf, type PartState } from './part';
import { all, child, parseXml, textAt, type XmlNode } from './xml';

/** A measure as it was read; ticks from its bar line. */
type Measure = ReturnType<typeof readMeasure>;

/** Parts with their measures, whichever way round the document nests them. */
function partsOf(root: XmlNode): { id: string; measures: readonly XmlNode[] }[] {
	if (root.name === 'score-partwise') {
		return all(root, 'part').map((part) => ({
			id: part.attributes.id ?? '',
			measures: all(part, 'measure')
		}));
	}
	const found = new Map<string, XmlNode[]>();
	for (const measure of all(root, 'measure')) {
		for (const part of all(measure, 'part')) {
			const id = part.attributes.id ?? '';
			const own = { ...measure, children: part.children };
			found.set(id, [...(found.get(id) ?? []), own]);
		}
	}
	return [...found].map(([id, measures]) => ({ id, measures }));
}

const has = (measures: readonly XmlNode[], test: (node: XmlNode) => boolean): boolean =>
	measures.some((measure) => measure.children.some(test));
const isHarmony = (node: XmlNode) => node.name === 'harmony';
const isPitched = (node: XmlNode) => node.name === 'note' && child(node, 'pitch') !== undefined;
const isTab = (node: XmlNode) =>
	node.name === 'attributes' &&
	all(node, 'staff-details').some((details) => child(details, 'staff-tuning'));

function namesOf(root: XmlNode): Map<string, string> {
	const list = all(child(root, 'part-list'), 'score-part');
	return new Map(
		list.map((part) => [part.attributes.id ?? '', textAt(part, 'part-name') || 'without a name'])
	);
}

function keyIn(state: PartState): Key | null {
	if (state.fifths === null) return null;
	return keyOfFifths(state.fifths, parseMode(state.mode) ?? 'major');
}

function feelIn({ swing }: PartState): Feel | null {
	if (!swing) return null;
	if (swing.first === swing.second) return 'straight';
	if (swing.type === '16th') return 'sixteenths';
	return swing.first / (swing.first + swing.second) >= 0.65 ? 'shuffle' : 'swing';
}

/** The signature that a measure is given: its own, or the one that its notes fill. */
function fitted(measure: Measure, left: LeftOut): TimeSignature {
	const { signature, length } = measure;
	const full = barTicks(signature);
	if (length === 0 || length === full || measure.pickup) return signature;
	const other = signatureFor(length);
	if (other) return other;
	left.say(
		'Some bars are not as long as their time signature says; they are read as if they were.'
	);
	return signature;
}

/** A chord moved to where it sounds on an instrument that is written elsewhere. */
function sounding(symbol: string, by: Interval): string {
	if (by.semitones % 12 === 0) return symbol;
	const chord = parseChord(symbol);
	return chord ? transposeChord(chord, by).symbol : symbol;
}

function draftBars(measures: readonly Measure[], by: Interval, left: LeftOut): BarDraft[] {
	let named: string | null = null;
	return measures.map((measure, i): BarDraft => {
		const signature = fitted(measure, left);
		const shift = measure.pickup ? Math.max(0, barTicks(signature) - measure.length) : 0;
		const section = measure.section !== null && measure.section !== named;
		if (section) named = measure.section;
		return {
			signature,
			chords: measure.chords
				.map(({ tick, symbol }) => ({ tick: tick + shift, symbol: sounding(symbol, by) }))
				.filter(({ tick }) => tick < barTicks(signature)),
			...(section ? { section: { name: named, times: 1 } } : {}),
			startsRepeat: measure.forward,
			repeatTimes: measure.times,
			endings: measure.endings.length > 0 && i > 0 ? measure.endings : []
		};
	});
}

/** The notes of the measures in the order in which the chart plays them. */
function unfolded(
	chart: ReturnType<typeof parseChart>,
	measures: readonly Measure[],
	bars: readonly BarDraft[],
	left: LeftOut
): ReadNote[] {
	const raw = chart.played.flatMap((bar) => {
		const measure = measures[bar.written];
		if (!measure) return [];
		const length = barTicks(bars[bar.written]!.signature);
		const shift = measure.pickup ? Math.max(0, length - measure.length) : 0;
		return measure.notes.map((note): RawNote => ({
			...note,
			tick: bar.startTick + shift + note.tick
		}));
	});
	return lineOf(raw, left);
}

function tuningOf(state: PartState): { tuning: string | null; capo: number } {
	const { tuning, capo } = state;
	if (tuning.size < 4 || tuning.size > 8) return { tuning: null, capo };
	const pitches = [...tuning].sort(([a], [b]) => a - b).map(([, midi]) => pitchName(midi));
	const text = pitches.join(' ');
	const usual = text === 'E2 A2 D3 G3 B3 E4';
	return { tuning: usual || !buildInstrument(text) ? null : text, capo };
}

/**
 * Reads a MusicXML document: the chords and the melody of one part, sections, repeats and endings, key,
 * signature, tempo, swing, tuning and capo; strings, frets, fingers and techniques where it has them.
 * The chart's own text is taken from its field as long as it says what the measures say.
 */
export function readMusicXml(text: string): FileReading {
	const parsed = parseXml(text);
	if ('error' in parsed) return parsed;
	const root = parsed.value;
	if (root.name !== 'score-partwise' && root.name !== 'score-timewise') {
		return { error: `The file is XML, but no MusicXML: it begins with <${root.name}>.` };
	}
	const left = new LeftOut();
	const names = namesOf(root);
	const parts = partsOf(root).map((part) => ({ ...part, name: names.get(part.id) ?? part.id }));
	const pitched = parts.filter((part) => has(part.measures, isPitched));
	const melody = pitched.find((part) => has(part.measures, isTab)) ?? pitched[0];
	const chords = parts.find((part) => has(part.measures, isHarmony));
	const main = melody ?? chords;
	if (!main) return { error: 'The file has neither chords nor notes.' };
	const others = parts.filter((part) => part !== main && part !== chords);
	if (others.length > 0) {
		const list = others.map(({ name }) => `“${name}”`).join(', ');
		left.say(`Other parts are left out: ${list}. The line is “${main.name}”.`);
	}
	const state = startOf();
	const all512 = main.measures.slice(0, LIMITS.written);
	if (main.measures.length > LIMITS.written) {
		left.say(`A chart has at most ${LIMITS.written} bars; the rest is left out.`);
	}
	const measures = all512.map((node, i) => readMeasure(node, state, i, left));
	if (chords && chords !== main) {
		const beside = startOf();
		chords.measures.slice(0, LIMITS.written).forEach((node, i) => {
			const { chords: found } = readMeasure(node, beside, i, new LeftOut());
			if (measures[i]) measures[i] = { ...measures[i], chords: found };
		});
	}
	const by = state.transpose;
	const bars = draftBars(measures, by, left);
	const hasChords = bars.some((bar) => bar.chords.some(({ symbol }) => symbol !== 'N.C.'));
	const key = keyIn(state);
	const { tuning, capo } = tuningOf(state);
	const written = writeChart({
		title: textAt(root, 'work', 'work-title') || textAt(root, 'movement-title') || null,
		key: key && by.semitones % 12 !== 0 ? { ...key, tonic: above(key.tonic, by) } : key,
		tempo: state.tempo,
		feel: feelIn(state),
		tuning,
		capo,
		bars
	});
	for (const bar of written.moved) {
		left.say(
			`The chords of bar ${bar} do not fit its beats; they are moved to the nearest sixteenth.`
		);
	}
	const chart = parseChart(written.text);
	const notes = unfolded(chart, measures, bars, left);
	if (!hasChords && notes.length === 0) {
		return { error: 'The file has neither chords nor notes that can be read.' };
	}
	const fields = all(child(child(root, 'identification'), 'miscellaneous'), 'miscellaneous-field');
	const field = (name: string) =>
		fields.find((node) => node.attributes.name === name)?.text ?? null;
	const own = field(FIELDS.chart);
	const ownChart = own === null ? null : parseChart(own);
	const alike =
		ownChart !== null &&
		sameMusic(ownChart, chart) &&
		instrumentKey(instrumentOf(ownChart).instrument) ===
			instrumentKey(instrumentOf(chart).instrument);
	const trusted = alike ? `${own}\n` : null;
	return {
		value: {
			pieces: [
				{
					chart: trusted ?? (hasChords ? written.text : null),
					notes,
					lineName: notes.length > 0 ? (field(FIELDS.line) ?? null) : null
				}
			],
			leftOut: left.sentences
		}
	};
}

export const isMusicXml = (text: string): boolean =>
	/<score-(?:partwise|timewise)[\s>]/.test(text.slice(0, 4096));
