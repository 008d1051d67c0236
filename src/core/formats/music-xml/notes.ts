import { QUARTER } from '../../kernel';
import { type PlayedBar } from '../../chart';
import { spelledPitch, parseNote } from '../../pitch';
import { comesOutOf, type FileNote } from '../piece';
import { beamsOf, tupletsOf, type Slice } from './slices';
import { el } from './xml';

const LETTERS = 'CDEFGAB';
const TYPES: Readonly<Record<number, string>> = {
	1: 'whole',
	2: 'half',
	4: 'quarter',
	8: 'eighth',
	16: '16th',
	32: '32nd'
};
const ACCIDENTALS = ['flat-flat', 'flat', 'natural', 'sharp', 'double-sharp'];

/** Semitones of a curl, which is a bend of a quarter tone. */
export const CURL = 0.5;

type Node = ReturnType<typeof el>;

function pitchNode(name: string, midi: number): Node {
	const note = parseNote(name) ?? { letter: 0, alter: 0 };
	const octave = Number(/-?\d{1,2}$/.exec(spelledPitch(name, midi))?.[0] ?? 4);
	return el('pitch', [
		el('step', LETTERS[note.letter]),
		note.alter === 0 ? null : el('alter', note.alter),
		el('octave', octave)
	]);
}

/** What is played where a slice sounds: a bent note is the one before, held and pulled. */
function sounding(notes: readonly FileNote[], index: number) {
	const note = notes[index]!;
	const before = notes[index - 1];
	const bent = note.technique === 'bend' && comesOutOf(before, note);
	return bent && before
		? { fretted: before, semitones: note.midi - before.midi }
		: { fretted: note, semitones: 0 };
}

const JOINS: Readonly<Record<string, { name: string; text: string }>> = {
	'hammer-on': { name: 'hammer-on', text: 'H' },
	'pull-off': { name: 'pull-off', text: 'P' }
};

/** Slurs, slides, hammers and pulls between a note and its neighbours. */
function joints(notes: readonly FileNote[], index: number, slice: Slice) {
	const technical: Node[] = [];
	const around: Node[] = [];
	const join = (by: FileNote, type: 'start' | 'stop') => {
		if (by.technique === 'slide')
			around.push(el('slide', [], { type, number: 1, 'line-type': 'solid' }));
		const joint = JOINS[by.technique ?? ''];
		if (!joint) return;
		around.push(el('slur', [], { type, number: 1 }));
		technical.push(el(joint.name, type === 'start' ? joint.text : [], { type, number: 1 }));
	};
	const note = notes[index]!;
	const next = notes[index + 1];
	if (slice.begins && comesOutOf(notes[index - 1], note)) join(note, 'stop');
	if (slice.ends && next && comesOutOf(note, next)) join(next, 'start');
	return { technical, around };
}

const bendNode = (semitones: number, held: boolean): Node =>
	el('bend', [el('bend-alter', semitones), held ? el('pre-bend') : null]);

/** The bends, shakes and trills of a note, told where it begins. */
function moves(notes: readonly FileNote[], index: number) {
	const note = notes[index]!;
	const next = notes[index + 1];
	const technical: Node[] = [];
	const ornaments: Node[] = [];
	const { semitones } = sounding(notes, index);
	if (semitones !== 0) technical.push(bendNode(semitones, true));
	else if (next?.technique === 'bend' && comesOutOf(note, next)) {
		technical.push(bendNode(next.midi - note.midi, false));
	}
	if (note.technique === 'curl') technical.push(bendNode(CURL, false));
	if (note.technique === 'trill') ornaments.push(el('trill-mark'));
	if (note.technique === 'vibrato') {
		ornaments.push(el('wavy-line', [], { type: 'start', number: 1 }));
		ornaments.push(el('wavy-line', [], { type: 'stop', number: 1 }));
	}
	return { technical, ornaments };
}

function notations(
	notes: readonly FileNote[],
	index: number,
	slice: Slice,
	tuplet: 'start' | 'stop' | null,
	staff: 1 | 2
): Node | null {
	const note = notes[index]!;
	const { fretted, semitones } = sounding(notes, index);
	const next = notes[index + 1];
	const bentOn = next?.technique === 'bend' && comesOutOf(note, next);
	const tied: Node[] = [];
	if (!slice.begins || semitones !== 0) tied.push(el('tied', [], { type: 'stop' }));
	if (!slice.ends || bentOn) tied.push(el('tied', [], { type: 'start' }));
	const joint = joints(notes, index, slice);
	const { technical, ornaments } = slice.begins
		? moves(notes, index)
		: { technical: [], ornaments: [] };
	const marks: Node[] = [];
	if (staff === 2) {
		marks.push(el('string', fretted.string), el('fret', fretted.fret));
	} else if (slice.begins && note.finger !== null) marks.push(el('fingering', note.finger));
	const all = [...marks, ...technical, ...joint.technical];
	const parts = [
		...tied,
		...joint.around,
		...(tuplet
			? [el('tuplet', [], { type: tuplet, bracket: tuplet === 'start' ? 'yes' : 'no' })]
			: []),
		...(ornaments.length > 0 ? [el('ornaments', ornaments)] : []),
		...(all.length > 0 ? [el('technical', all)] : [])
	];
	return parts.length > 0 ? el('notations', parts) : null;
}

/** What is said of a bar's notes on one of the two staves: 1 is standard notation, 2 is tab. */
export function staffNotes(
	bar: PlayedBar,
	slices: readonly Slice[],
	notes: readonly FileNote[],
	staff: 1 | 2
): Node[] {
	const { unit, beats } = bar.signature;
	const pulse = unit === 8 && beats % 3 === 0 ? 1.5 * QUARTER : QUARTER;
	const beams = beamsOf(slices, pulse);
	const tuplets = tupletsOf(slices, QUARTER);
	const voice = el('voice', staff === 1 ? 1 : 5);
	return slices.map((slice, i) => {
		const { value } = slice;
		const duration = el('duration', slice.to - slice.from);
		const shape = [value ? el('type', TYPES[value.unit]) : null, value?.dots ? el('dot') : null];
		const triplet = value?.triplet
			? el('time-modification', [el('actual-notes', 3), el('normal-notes', 2)])
			: null;
		if (slice.note === null) {
			const whole = slice.from === 0 && slice.to === bar.lengthTicks;
			const rest = el('rest', [], whole ? { measure: 'yes' } : {});
			const bracket = tuplets[i];
			const marks = bracket ? el('notations', [el('tuplet', [], { type: bracket })]) : null;
			return el('note', [rest, duration, voice, ...shape, triplet, el('staff', staff), marks]);
		}
		const { fretted, semitones } = sounding(notes, slice.note);
		const next = notes[slice.note + 1];
		const bentOn = next?.technique === 'bend' && comesOutOf(notes[slice.note], next);
		const alter = parseNote(fretted.name)?.alter ?? 0;
		return el('note', [
			pitchNode(fretted.name, fretted.midi),
			duration,
			!slice.begins || semitones !== 0 ? el('tie', [], { type: 'stop' }) : null,
			!slice.ends || bentOn ? el('tie', [], { type: 'start' }) : null,
			voice,
			...shape,
			staff === 1 && slice.begins && alter !== 0 ? el('accidental', ACCIDENTALS[alter + 2]) : null,
			triplet,
			el('staff', staff),
			...beams[i]!.map((beam, depth) => el('beam', beam, { number: depth + 1 })),
			notations(notes, slice.note, slice, tuplets[i]!, staff)
		]);
	});
}
