import { clamp } from '../kernel';
import type { Chart, PlayedBar } from '../chart';
import { signs, type Key } from '../chord';
import { keyOf } from '../harmony';
import type { Instrument } from '../neck';
import { parseNote, pitchName } from '../pitch';
import { fifthsOf } from './key-signature';
import { valuesOf, writable, type NoteValue } from './note-values';
import { does, isAlso, isDead, type Also, type Playing } from '../route';
import { neighbours } from './piece';
import type { TextNote } from './types';

/** A note to be engraved: its name decides how it is spelled, the stroke how the pick moves. */
export type EngravedNote = TextNote &
	Playing & {
		readonly name: string;
		readonly finger: number | null;
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

/** A piece of a bar: notes, each begun there or tied, or silence. Ticks from the bar line. */
type Piece = {
	readonly notes: readonly { readonly note: number; readonly tied: boolean }[];
	readonly from: number;
	readonly to: number;
};

/** A bar cut wherever a note begins or ends. */
function piecesOf(bar: PlayedBar, notes: readonly EngravedNote[]): Piece[] {
	const length = bar.lengthTicks;
	const place = (tick: number) => clamp(writable(tick - bar.startTick), 0, length);
	const sounding = notes.flatMap((note, index) => {
		const end = note.tick + note.durationTicks;
		if (note.tick >= bar.startTick + length || end <= bar.startTick) return [];
		const [from, to] = [place(note.tick), place(end)];
		return to > from ? [{ index, from, to, tied: note.tick < bar.startTick }] : [];
	});
	const edges = new Set([0, length, ...sounding.flatMap(({ from, to }) => [from, to])]);
	const cuts = [...edges].sort((a, b) => a - b);
	const pieces = cuts.slice(1).map((to, i): Piece => {
		const from = cuts[i]!;
		// Where two notes of a string come to one place the later one is written.
		const strings = new Map<number, { note: number; tied: boolean }>();
		for (const entry of sounding) {
			if (entry.from >= to || entry.to <= from) continue;
			const tied = entry.tied || entry.from < from;
			strings.set(notes[entry.index]!.string, { note: entry.index, tied });
		}
		return { notes: [...strings.values()], from, to };
	});
	return pieces.reduce<Piece[]>((joined, piece) => {
		const last = joined.at(-1);
		const silent = last && last.notes.length === 0 && piece.notes.length === 0;
		if (silent) joined[joined.length - 1] = { ...last, to: piece.to };
		else joined.push(piece);
		return joined;
	}, []);
}

/** A line with the neighbours of each note on its string. */
type Line = {
	readonly notes: readonly EngravedNote[];
	readonly near: readonly { readonly before: number; readonly after: number }[];
};

const touches = (before: EngravedNote | undefined, note: EngravedNote): boolean =>
	before !== undefined && before.tick + before.durationTicks === note.tick;

/** What each sign of a note is called here. */
const ALSO_WORDS: readonly (readonly [Also, string])[] = [
	['slide-away-up', 'sou'],
	['slide-away-down', 'sod'],
	['palm-mute', 'pm'],
	['let-ring', 'lr'],
	['staccato', 'st']
];
const STRUCK_WORDS: Readonly<Record<string, string>> = {
	'slide-from-below': 'sib',
	'slide-from-above': 'sia',
	tap: 'lht'
};

/** How a note is bent; amounts in quarter tones. */
function bendWords(line: Line, i: number): string | null {
	const note = line.notes[i]!;
	const next = line.notes[line.near[i]!.after];
	if (note.bend !== undefined) {
		const up = 2 * note.bend;
		const down = isAlso(note, 'release');
		if (note.technique === 'pre-bend') {
			return down ? `be (prebendRelease 0 ${up} 60 0)` : `be (prebend 0 ${up} 60 ${up})`;
		}
		return down ? `be (bendRelease 0 0 20 ${up} 40 ${up} 60 0)` : `be (bend 0 0 60 ${up})`;
	}
	const before = line.notes[line.near[i]!.before];
	if (note.technique === 'release' && before && touches(before, note)) {
		const up = 2 * (before.fret - note.fret);
		return up > 0 ? `be (prebendRelease 0 ${up} 60 0)` : null;
	}
	if (next?.technique === 'bend' && next.bend === undefined && touches(note, next)) {
		return `be (bend 0 0 60 ${2 * (next.fret - note.fret)})`;
	}
	return does(note, 'curl') ? 'be (bend 0 0 60 1)' : null;
}

const slurWord = ({ technique }: EngravedNote): string | null =>
	technique === 'hammer-on' || technique === 'pull-off' ? 'h' : technique === 'slide' ? 'sl' : null;

/** What a note says of how it is played; slurs are told by the note that they begin on. */
function noteWords(line: Line, i: number, { fingers }: Engraving): string[] {
	const note = line.notes[i]!;
	const next = line.notes[line.near[i]!.after];
	const words: string[] = [];
	const slur = next && next.grace === undefined && touches(note, next) ? slurWord(next) : null;
	if (slur) words.push(slur);
	const bend = bendWords(line, i);
	if (bend) words.push(bend);
	const struck = STRUCK_WORDS[note.technique ?? ''];
	if (struck) words.push(struck);
	if (does(note, 'vibrato')) words.push('v');
	if (does(note, 'trill')) words.push(`tr (${note.fret + (note.trill ?? 1)} 16)`);
	for (const [also, word] of ALSO_WORDS) if (isAlso(note, also)) words.push(word);
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
	const sorted = [...notes].sort((a, b) => a.tick - b.tick || b.string - a.string);
	const line: Line = { notes: sorted, near: neighbours(sorted) };
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
					words.push(beatText(line, piece, first, value, beat, engraving));
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

const inBraces = (list: readonly string[]): string =>
	list.length > 0 ? `{${list.join(' ')}}` : '';

/** A note of a beat: as it is struck, or as it goes on. */
function noteText(line: Line, i: number, tied: boolean, engraving: Engraving): string {
	const note = line.notes[i]!;
	const before = line.notes[line.near[i]!.before];
	// A note that is bent into is the note before, held.
	if (note.technique === 'bend' && note.bend === undefined && before && touches(before, note)) {
		const up = 2 * (note.fret - before.fret);
		return `${before.fret}.${note.string}{t be (hold 0 ${up} 60 ${up})}`;
	}
	const head = isDead(note) ? `x.${note.string}` : `${note.fret}.${note.string}`;
	return tied ? `${head}{t}` : `${head}${inBraces(noteWords(line, i, engraving))}`;
}

/** Several notes stand in brackets. */
const together = (texts: readonly string[]): string =>
	texts.length === 1 ? texts[0]! : `(${texts.join(' ')})`;

function beatText(
	line: Line,
	piece: Piece,
	first: boolean,
	value: NoteValue,
	beat: readonly string[],
	engraving: Engraving
): string {
	const words = (list: readonly string[]) => (list.length > 0 ? ` ${inBraces(list)}` : '');
	if (piece.notes.length === 0) return `r.${value.unit}${words(beat)}`;
	const begun = piece.notes
		.filter(({ tied }) => !tied && first)
		.map(({ note }) => line.notes[note]!);
	const graces = begun.flatMap((note) => {
		if (note.grace === undefined) return [];
		const slur = slurWord(note);
		return [`${note.grace}.${note.string}${inBraces(slur ? [slur] : [])}`];
	});
	const texts = piece.notes.map(({ note, tied }) =>
		noteText(line, note, tied || !first, engraving)
	);
	const told = (also: Also) => begun.some((note) => isAlso(note, also));
	const stroke = begun.find((note) => note.stroke)?.stroke ?? null;
	const down = told('down-stroke') || (stroke === 'down' && !told('up-stroke'));
	const up = told('up-stroke') || (stroke === 'up' && !told('down-stroke'));
	const picked = down ? ['sd'] : up ? ['su'] : [];
	const before = graces.length > 0 ? `${together(graces)}.16 {gr} ` : '';
	return `${before}${together(texts)}.${value.unit}${words([...beat, ...picked])}`;
}
