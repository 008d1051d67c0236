import { QUARTER } from '../../kernel';
import { type Chart, type ChordEvent, type PlayedBar, type TimeSignature } from '../../chart';
import { swingOf } from '../../band';
import { keyOf } from '../../harmony';
import { parsePitch, pitchName } from '../../pitch';
import { fifthsOf } from '../key-signature';
import type { FileNote, Piece } from '../piece';
import { harmonyNode } from './harmony';
import { staffNotes } from './notes';
import { slicesOf, type Slice } from './slices';
import { buildXml, el } from './xml';

type Node = ReturnType<typeof el>;

/** Names of the fields that carry what the format has no element for. */
export const FIELDS = { chart: 'arc-step-chart', line: 'arc-step-line' } as const;

/** How repeats are written: played out bar by bar, or as signs where every time through is alike. */
type Repeats = 'unfolded' | 'kept';

/** Chords that begin in a bar, in ticks from its bar line. */
function chordsIn(chart: Chart, bar: PlayedBar): { at: number; event: ChordEvent }[] {
	return chart.events.flatMap((event) => {
		const at = event.startTick - bar.startTick;
		return at >= 0 && at < bar.lengthTicks ? [{ at, event }] : [];
	});
}

/** A measure: the bar that it shows, and the signs at its ends. */
type Measure = {
	readonly bar: PlayedBar;
	readonly section: string | null;
	readonly forward: boolean;
	/** How often a repeat sign after it plays; 0 without one. */
	readonly times: number;
	readonly endingStart: readonly number[];
	readonly endingStop: readonly number[];
};

const plain = (bar: PlayedBar, section: string | null): Measure => ({
	bar,
	section,
	forward: false,
	times: 0,
	endingStart: [],
	endingStop: []
});

/** What stands in a bar, told so that bars that look alike tell the same. */
function contentOf(piece: Piece, bar: PlayedBar): string {
	const chords = chordsIn(piece.chart, bar).map(({ at, event }) => [at, event.symbol]);
	const slices = slicesOf(bar, piece.notes).map(({ notes, ...slice }) => [
		slice,
		notes.map(({ note, ...tied }) => [tied, { ...piece.notes[note], tick: 0 }])
	]);
	return JSON.stringify([chords, slices]);
}

/** The written bars with their signs; null where a bar differs from one time to the next. */
function keptMeasures(piece: Piece): Measure[] | null {
	const { chart } = piece;
	const firsts = new Map<number, { bar: PlayedBar; content: string }>();
	for (const bar of chart.played) {
		const known = firsts.get(bar.written);
		const content = contentOf(piece, bar);
		if (!known) firsts.set(bar.written, { bar, content });
		else if (known.content !== content) return null;
	}
	const measures: Measure[] = [];
	for (const { name, times, from, to } of chart.sections) {
		const signed = chart.bars
			.slice(from, to)
			.some((bar) => bar.repeatTimes > 0 || bar.endings.length > 0);
		if (times > 1 && signed) return null;
		let open: readonly number[] = [];
		for (let i = from; i < to; i++) {
			const first = firsts.get(i);
			if (!first) return null;
			const written = chart.bars[i]!;
			const starts = written.endings.length > 0 ? written.endings : [];
			if (starts.length > 0) open = starts;
			const next = i + 1 < to ? chart.bars[i + 1] : null;
			const ends = written.repeatTimes > 0 || !next || next.endings.length > 0 || next.startsRepeat;
			measures.push({
				bar: first.bar,
				section: i === from ? name : null,
				forward: written.startsRepeat || (times > 1 && i === from),
				times: times > 1 && i === to - 1 ? times : written.repeatTimes,
				endingStart: starts,
				endingStop: ends ? open : []
			});
			if (ends) open = [];
		}
	}
	return measures;
}

function unfoldedMeasures({ played }: Chart): Measure[] {
	return played.map((bar, i) => {
		const before = played[i - 1];
		const begins = !before || before.section !== bar.section || bar.written < before.written;
		return plain(bar, begins ? bar.section : null);
	});
}

const timeNode = ({ beats, unit }: TimeSignature): Node =>
	el('time', [el('beats', beats), el('beat-type', unit)]);

function tuningNodes({ instrument }: Piece): Node {
	const { open, capo } = instrument;
	const lines = [...open].reverse().map((midi, i) => {
		const name = pitchName(midi);
		const octave = Math.floor(midi / 12) - 1;
		const sharp = name.includes('#') ? 1 : name.includes('b') ? -1 : 0;
		// A flat at the edge of an octave keeps the octave of its letter.
		const own = parsePitch(`${name[0]}${octave}`);
		const step = own === null ? 0 : Math.round((midi - sharp - own) / 12);
		return el(
			'staff-tuning',
			[
				el('tuning-step', name[0]),
				sharp === 0 ? null : el('tuning-alter', sharp),
				el('tuning-octave', octave + step)
			],
			{ line: i + 1 }
		);
	});
	return el(
		'staff-details',
		[el('staff-lines', open.length), ...lines, capo > 0 ? el('capo', capo) : null],
		{ number: 2 }
	);
}

function attributes(piece: Piece): Node {
	const { chart } = piece;
	const key = keyOf(chart);
	const mode = key && key.mode !== 'blues' ? key.mode : 'major';
	return el('attributes', [
		el('divisions', QUARTER),
		el('key', [el('fifths', key ? fifthsOf(key) : 0), el('mode', mode)]),
		timeNode(chart.played[0]!.signature),
		el('staves', 2),
		el('clef', [el('sign', 'G'), el('line', 2), el('clef-octave-change', -1)], { number: 1 }),
		el('clef', [el('sign', 'TAB'), el('line', 5)], { number: 2 }),
		tuningNodes(piece)
	]);
}

/** A ratio of whole numbers for a share in per cent. */
function ratio(percent: number): [number, number] {
	const thirds = Math.abs(percent - 200 / 3) < 0.5;
	return thirds ? [2, 1] : [Math.round(percent), 100 - Math.round(percent)];
}

function tempoNode({ headers }: Chart): Node {
	const { pair, percent } = swingOf(headers.feel);
	const [first, second] = ratio(percent);
	const swing =
		percent === 50
			? el('swing', [el('straight')])
			: el('swing', [
					el('first', first),
					el('second', second),
					el('swing-type', pair === QUARTER ? 'eighth' : '16th')
				]);
	return el(
		'direction',
		[
			el('direction-type', [
				el('metronome', [el('beat-unit', 'quarter'), el('per-minute', headers.tempo)])
			]),
			el('staff', 1),
			el('sound', [swing], { tempo: headers.tempo })
		],
		{ placement: 'above' }
	);
}

const rehearsal = (name: string): Node =>
	el('direction', [el('direction-type', [el('rehearsal', name)]), el('staff', 1)], {
		placement: 'above'
	});

function barline(measure: Measure, side: 'left' | 'right'): Node | null {
	const { endingStart, endingStop, forward, times } = measure;
	const numbers = side === 'left' ? endingStart : endingStop;
	const type = side === 'left' ? 'start' : 'stop';
	const parts = [
		numbers.length > 0 ? el('ending', [], { number: numbers.join(', '), type }) : null,
		side === 'left' && forward ? el('repeat', [], { direction: 'forward' }) : null,
		side === 'right' && times > 0 ? el('repeat', [], { direction: 'backward', times }) : null
	];
	return parts.some(Boolean) ? el('barline', parts, { location: side }) : null;
}

/** Chords and the notes of standard notation, each chord before the note that it begins with. */
function withChords(
	piece: Piece,
	bar: PlayedBar,
	slices: readonly Slice[],
	notes: readonly (readonly Node[])[]
): Node[] {
	const chords = chordsIn(piece.chart, bar);
	return slices.flatMap((slice, i) => {
		const here = chords.filter(({ at }) => at >= slice.from && at < slice.to);
		return [
			...here.map(({ at, event }) => harmonyNode(event.chord, at - slice.from)),
			...notes[i]!
		];
	});
}

function measureNode(
	piece: Piece,
	measure: Measure,
	index: number,
	before: Measure | undefined,
	notes: readonly FileNote[]
): Node {
	const { bar } = measure;
	const { signature } = bar;
	const turned =
		before !== undefined &&
		(before.bar.signature.beats !== signature.beats ||
			before.bar.signature.unit !== signature.unit);
	const slices = slicesOf(bar, notes);
	const nodes = [
		barline(measure, 'left'),
		index === 0 ? attributes(piece) : turned ? el('attributes', [timeNode(signature)]) : null,
		measure.section === null ? null : rehearsal(measure.section),
		index === 0 ? tempoNode(piece.chart) : null,
		...withChords(piece, bar, slices, staffNotes(bar, slices, notes, 1)),
		el('backup', [el('duration', bar.lengthTicks)]),
		...staffNotes(bar, slices, notes, 2).flat(),
		barline(measure, 'right')
	];
	return el('measure', nodes, { number: index + 1 });
}

/**
 * A tune and its line as MusicXML 4.0: standard notation and tab in one part, chords above, strings,
 * frets, fingers, several notes at a time, every way of playing them, swing, sections, key, tempo, tuning and capo. The chart's own text goes along in a field of its own.
 * @param repeats signs are kept only where every time through is alike; else the piece is played out
 */
export function writeMusicXml(piece: Piece, repeats: Repeats = 'unfolded'): string {
	const { chart, text, lineName, notes } = piece;
	const measures = (repeats === 'kept' ? keptMeasures(piece) : null) ?? unfoldedMeasures(chart);
	const fields = [el('miscellaneous-field', text, { name: FIELDS.chart })];
	if (notes.length > 0) fields.push(el('miscellaneous-field', lineName, { name: FIELDS.line }));
	const root = el(
		'score-partwise',
		[
			el('work', [el('work-title', chart.headers.title ?? 'Untitled tune')]),
			el('identification', [
				el('encoding', [el('software', 'Arc Step')]),
				el('miscellaneous', fields)
			]),
			el('part-list', [
				el(
					'score-part',
					[
						el('part-name', 'Guitar'),
						el('score-instrument', [el('instrument-name', 'Electric guitar')], { id: 'P1-I1' }),
						el('midi-instrument', [el('midi-channel', 1), el('midi-program', 28)], { id: 'P1-I1' })
					],
					{ id: 'P1' }
				)
			]),
			el(
				'part',
				measures.map((measure, i) => measureNode(piece, measure, i, measures[i - 1], notes)),
				{ id: 'P1' }
			)
		],
		{ version: '4.0' }
	);
	return `<?xml version="1.0" encoding="UTF-8"?>\n${buildXml(root)}\n`;
}
