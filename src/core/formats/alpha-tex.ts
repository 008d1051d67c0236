import { clamp } from '../kernel';
import type { Chart, PlayedBar } from '../chart';
import { signs, type Key } from '../chord';
import { keyOf } from '../harmony';
import type { Instrument } from '../neck';
import { parseNote, pitchName } from '../pitch';
import { fifthsOf } from './key-signature';
import { valuesOf, writable, type NoteValue } from './note-values';
import type { TextNote } from './types';

/** A note to be engraved: its name decides how it is spelled, the stroke how the pick moves. */
export type EngravedNote = TextNote & {
	readonly name: string;
	readonly finger: number | null;
	readonly technique: string | null;
	readonly stroke?: 'down' | 'up' | null;
};

export type Engraving = {
	readonly title: string;
	/** Which staves: tab, standard notation, or both. */
	readonly staves: 'tab' | 'notation' | 'both';
	/** Fingers beside the notes. */
	readonly fingers: boolean;
};

/** Key signatures by sharps, as the major keys that have them. */
const SIGNATURES = 'Cb Gb Db Ab Eb Bb F C G D A E B F# C#'.split(' ');
const signatureOf = (key: Key | null): string => SIGNATURES[(key ? fifthsOf(key) : 0) + 7]!;

const quoted = (text: string): string => `"${text.replace(/["\\]/g, ' ')}"`;

const SPELLED: Readonly<Record<number, string>> = {
	0: 'n',
	1: '#',
	2: '##',
	[-1]: 'b',
	[-2]: 'bb'
};

/** A piece of a bar: a note, its tied continuation, or silence. Ticks from the bar line. */
type Piece = {
	readonly note: number | null;
	readonly tied: boolean;
	readonly from: number;
	readonly to: number;
};

function piecesOf(bar: PlayedBar, notes: readonly EngravedNote[]): Piece[] {
	const length = bar.lengthTicks;
	const place = (tick: number) => clamp(writable(tick - bar.startTick), 0, length);
	const pieces: Piece[] = [];
	let at = 0;
	notes.forEach((note, i) => {
		const end = note.tick + note.durationTicks;
		if (note.tick >= bar.startTick + length || end <= bar.startTick) return;
		const from = Math.max(at, place(note.tick));
		const to = place(end);
		if (to <= from) return;
		if (from > at) pieces.push({ note: null, tied: false, from: at, to: from });
		pieces.push({ note: i, tied: note.tick < bar.startTick, from, to });
		at = to;
	});
	if (at < length) pieces.push({ note: null, tied: false, from: at, to: length });
	return pieces;
}

/** What a note says of how it is played; slurs are told by the note that they begin on. */
function noteWords(notes: readonly EngravedNote[], i: number, { fingers }: Engraving): string[] {
	const note = notes[i]!;
	const next = notes[i + 1];
	const words: string[] = [];
	const joins = next && next.tick === note.tick + note.durationTicks && next.string === note.string;
	if (joins && (next.technique === 'hammer-on' || next.technique === 'pull-off')) words.push('h');
	if (joins && next.technique === 'slide') words.push('sl');
	if (joins && next.technique === 'bend') {
		words.push(`be (bend 0 0 60 ${2 * (next.fret - note.fret)})`);
	}
	if (note.technique === 'vibrato') words.push('v');
	if (note.technique === 'curl') words.push('be (bend 0 0 60 1)');
	if (note.technique === 'trill') words.push(`tr (${note.fret + 1} 16)`);
	const alter = parseNote(note.name)?.alter;
	if (alter !== undefined && SPELLED[alter]) words.push(`acc ${quoted(SPELLED[alter])}`);
	if (fingers && note.finger !== null) words.push(`lf ${note.finger + 1}`);
	return words;
}

const valueWords = ({ dots, triplet }: NoteValue): string[] => [
	...(dots ? ['d'] : []),
	...(triplet ? ['tu 3'] : [])
];

const FEELS: Readonly<Record<string, string>> = { swing: 'triplet8th', shuffle: 'triplet8th' };

/**
 * Writes a line in alphaTex, for engraving as tab and standard notation: chords above, slurs, bends,
 * fingers and strokes, note values cut and tied at the beats. Notes off every grid move to the nearest
 * place that can be written.
 * @param played the played bars to write, by default all; they begin at the engraving's first tick
 */
export function writeAlphaTex(
	chart: Chart,
	instrument: Instrument,
	notes: readonly EngravedNote[],
	engraving: Engraving,
	played: readonly PlayedBar[] = chart.played
): string {
	const { tempo, feel } = chart.headers;
	const { staves } = engraving;
	const head = [
		`\\title ${quoted(engraving.title)}`,
		`\\tempo ${tempo}`,
		'\\track "Line"',
		`\\staff {${staves === 'both' ? 'score tabs' : staves === 'tab' ? 'tabs' : 'score'}}`,
		`\\tuning (${instrument.open.map((pitch) => pitchName(pitch)).join(' ')})`,
		...(instrument.capo > 0 ? [`\\capo ${instrument.capo}`] : []),
		'\\instrument 27'
	];
	const sorted = [...notes].sort((a, b) => a.tick - b.tick);
	const changes = new Map(chart.changes.map((change) => [change.tick, change]));
	let signature = '';
	let section: string | null = null;
	const bars = played.map((bar, b) => {
		const { beats, unit } = bar.signature;
		const meta: string[] = [];
		if (signature !== `${beats} ${unit}`) {
			signature = `${beats} ${unit}`;
			meta.push(`\\ts ${signature}`);
		}
		if (b === 0) {
			meta.push(`\\ks ${signatureOf(keyOf(chart))}`);
			if (FEELS[feel]) meta.push(`\\tf ${FEELS[feel]}`);
		}
		if (bar.section !== null && bar.section !== section)
			meta.push(`\\section ${quoted(bar.section)}`);
		section = bar.section;
		const words: string[] = [];
		for (const piece of piecesOf(bar, sorted)) {
			const cuts = cutAtChords(bar, piece, changes);
			cuts.forEach((cut, c) => {
				const chord = changes.get(bar.startTick + cut.from);
				valuesOf(cut.from, cut.to, bar.signature, bar.lengthTicks).forEach((value, v) => {
					const first = c === 0 && v === 0;
					const beat = valueWords(value);
					if (v === 0 && chord) beat.push(`ch ${quoted(signs(chord.to.symbol))}`);
					words.push(beatText(sorted, piece, first, value, beat, engraving));
				});
			});
		}
		return `${meta.join(' ')} ${words.join(' ')}`.trim();
	});
	return `${head.join('\n')}\n.\n${bars.join(' |\n')}\n`;
}

/** Chord names stand on beats of their own: silences and long notes are cut where a chord begins. */
function cutAtChords(
	bar: PlayedBar,
	piece: Piece,
	changes: ReadonlyMap<number, unknown>
): { from: number; to: number }[] {
	const edges = [...changes.keys()]
		.map((tick) => tick - bar.startTick)
		.filter((at) => at > piece.from && at < piece.to && writable(at) === at);
	const all = [piece.from, ...edges, piece.to];
	return all.slice(1).map((to, i) => ({ from: all[i]!, to }));
}

function beatText(
	notes: readonly EngravedNote[],
	piece: Piece,
	first: boolean,
	value: NoteValue,
	beat: readonly string[],
	engraving: Engraving
): string {
	const words = (list: readonly string[]) => (list.length > 0 ? ` {${list.join(' ')}}` : '');
	if (piece.note === null) return `r.${value.unit}${words(beat)}`;
	const note = notes[piece.note]!;
	const bent = note.technique === 'bend' ? notes[piece.note - 1] : undefined;
	// A note that is bent into is the note before, held.
	if (bent && bent.string === note.string) {
		const up = 2 * (note.fret - bent.fret);
		return `${bent.fret}.${note.string}{t be (hold 0 ${up} 60 ${up})}.${value.unit}${words(beat)}`;
	}
	if (piece.tied || !first) return `${note.fret}.${note.string}{t}.${value.unit}${words(beat)}`;
	const own = noteWords(notes, piece.note, engraving);
	const stroke = note.stroke ? [note.stroke === 'down' ? 'sd' : 'su'] : [];
	const inner = own.length > 0 ? `{${own.join(' ')}}` : '';
	return `${note.fret}.${note.string}${inner}.${value.unit}${words([...beat, ...stroke])}`;
}
