import { QUARTER } from '../../kernel';
import { type PlayedBar } from '../../chart';
import { plainName, spelledPitch, parseNote } from '../../pitch';
import { does, isAlso, isDead, type Also, type Technique } from '../../route';
import { comesOutOf, neighbours, type FileNote } from '../piece';
import { beamsOf, tupletsOf, type Slice, type Sliced } from './slices';
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

/** A line with the neighbours of each note on its string. */
type Line = {
	readonly notes: readonly FileNote[];
	readonly near: readonly { readonly before: number; readonly after: number }[];
};

const beforeOf = ({ notes, near }: Line, index: number): FileNote | undefined =>
	notes[near[index]!.before];
const afterOf = ({ notes, near }: Line, index: number): FileNote | undefined =>
	notes[near[index]!.after];

/** A note that is bent out of the one before, without a stroke. */
const bentInto = (line: Line, index: number): boolean => {
	const note = line.notes[index]!;
	return note.technique === 'bend' && comesOutOf(beforeOf(line, index), note);
};

/** What is played where a slice sounds: a bent note is the one before, held and pulled. */
function sounding(line: Line, index: number) {
	const note = line.notes[index]!;
	const before = beforeOf(line, index);
	return before && bentInto(line, index)
		? { fretted: before, semitones: note.midi - before.midi }
		: { fretted: note, semitones: 0 };
}

/** The string is bent on, or let down, into the note after: it is held. */
function goesOn(line: Line, index: number): boolean {
	const next = afterOf(line, index);
	const moved = next?.technique === 'bend' || next?.technique === 'release';
	return next !== undefined && moved && comesOutOf(line.notes[index], next);
}

const comesOn = (line: Line, index: number): boolean => {
	const note = line.notes[index]!;
	return (
		bentInto(line, index) ||
		(note.technique === 'release' && comesOutOf(beforeOf(line, index), note))
	);
};

const JOINS: Readonly<Record<string, { name: string; text: string }>> = {
	'hammer-on': { name: 'hammer-on', text: 'H' },
	'pull-off': { name: 'pull-off', text: 'P' }
};

/** Slurs, slides, hammers and pulls between a note and its neighbours, its grace note among them. */
class Joints {
	readonly technical: Node[] = [];
	readonly around: Node[] = [];

	add(by: FileNote, type: 'start' | 'stop'): void {
		if (by.technique === 'slide')
			this.around.push(el('slide', [], { type, number: by.string, 'line-type': 'solid' }));
		const joint = JOINS[by.technique ?? ''];
		if (!joint) return;
		this.around.push(el('slur', [], { type, number: by.string }));
		const text = type === 'start' ? joint.text : [];
		this.technical.push(el(joint.name, text, { type, number: by.string }));
	}
}

function joints(line: Line, index: number, { begins, ends }: Sliced): Joints {
	const made = new Joints();
	const note = line.notes[index]!;
	const next = afterOf(line, index);
	const graced = note.grace !== undefined;
	if (begins && (graced || comesOutOf(beforeOf(line, index), note))) made.add(note, 'stop');
	if (ends && next && next.grace === undefined && comesOutOf(note, next)) made.add(next, 'start');
	return made;
}

const bendNode = (semitones: number, kind: 'pre-bend' | 'release' | null): Node =>
	el('bend', [el('bend-alter', semitones), kind === null ? null : el(kind)]);

/** The bends of a note, told where it begins. */
function bendsOf(line: Line, index: number): Node[] {
	const note = line.notes[index]!;
	const next = afterOf(line, index);
	const { semitones } = sounding(line, index);
	const found: Node[] = [];
	if (semitones !== 0) found.push(bendNode(semitones, 'pre-bend'));
	else if (next?.technique === 'bend' && comesOutOf(note, next)) {
		found.push(bendNode(next.midi - note.midi, null));
	}
	const before = beforeOf(line, index);
	if (note.technique === 'release' && before && comesOutOf(before, note)) {
		found.push(bendNode(note.midi - before.midi, 'release'));
	}
	if (note.bend !== undefined) {
		found.push(bendNode(note.bend, note.technique === 'pre-bend' ? 'pre-bend' : null));
		if (isAlso(note, 'release')) found.push(bendNode(-note.bend, 'release'));
	}
	if (does(note, 'curl')) found.push(bendNode(CURL, null));
	return found;
}

function ornamentsOf(note: FileNote): Node[] {
	const found: Node[] = [];
	const trilled = does(note, 'trill');
	if (trilled) found.push(el('trill-mark'));
	if (trilled && note.trill !== undefined) {
		found.push(el('other-ornament', `${ORNAMENTS.trill} ${note.trill}`));
	}
	if (!does(note, 'vibrato')) return found;
	// Behind a trill a wavy line would be part of it.
	if (trilled) found.push(el('other-ornament', ORNAMENTS.vibrato));
	else {
		found.push(el('wavy-line', [], { type: 'start', number: 1 }));
		found.push(el('wavy-line', [], { type: 'stop', number: 1 }));
	}
	return found;
}

/** Ornaments that the format has no element for, by what they say. */
export const ORNAMENTS = { trill: 'trill semitones', vibrato: 'vibrato' } as const;

/** Slides from and to nowhere, and short notes, as the format tells them. */
export const ARTICULATIONS = {
	'slide-from-below': 'scoop',
	'slide-from-above': 'plop',
	'slide-away-up': 'doit',
	'slide-away-down': 'falloff',
	staccato: 'staccato'
} as const;
export const STROKES = { 'down-stroke': 'down-bow', 'up-stroke': 'up-bow' } as const;

const entriesOf = <T extends Record<string, string>>(table: T) =>
	Object.entries(table) as [keyof T & (Technique | Also), string][];

function articulationsOf(note: FileNote): Node[] {
	return entriesOf(ARTICULATIONS)
		.filter(([one]) => note.technique === one || note.also?.includes(one as Also))
		.map(([, name]) => el(name));
}

function notations(
	line: Line,
	sliced: Sliced,
	tuplet: 'start' | 'stop' | null,
	staff: 1 | 2
): Node | null {
	const { note: index, begins, ends } = sliced;
	const note = line.notes[index]!;
	const { fretted } = sounding(line, index);
	const tied: Node[] = [];
	if (!begins || comesOn(line, index)) tied.push(el('tied', [], { type: 'stop' }));
	if (!ends || goesOn(line, index)) tied.push(el('tied', [], { type: 'start' }));
	if (begins && isAlso(note, 'let-ring')) tied.push(el('tied', [], { type: 'let-ring' }));
	const joint = joints(line, index, sliced);
	const marks: Node[] = [];
	if (staff === 2) {
		marks.push(el('string', fretted.string), el('fret', fretted.fret));
	} else if (begins && note.finger !== null) marks.push(el('fingering', note.finger));
	if (begins) {
		marks.push(...bendsOf(line, index));
		if (note.technique === 'tap') marks.push(el('tap'));
		for (const [one, name] of entriesOf(STROKES)) if (isAlso(note, one)) marks.push(el(name));
	}
	const all = [...marks, ...joint.technical];
	const [ornaments, articulations] = begins ? [ornamentsOf(note), articulationsOf(note)] : [[], []];
	const parts = [
		...tied,
		...joint.around,
		...(tuplet
			? [el('tuplet', [], { type: tuplet, bracket: tuplet === 'start' ? 'yes' : 'no' })]
			: []),
		...(ornaments.length > 0 ? [el('ornaments', ornaments)] : []),
		...(all.length > 0 ? [el('technical', all)] : []),
		...(articulations.length > 0 ? [el('articulations', articulations)] : [])
	];
	return parts.length > 0 ? el('notations', parts) : null;
}

/** The grace note of a note, which leads to it without a time of its own. */
function graceNode(note: FileNote, staff: 1 | 2, voice: Node, chord: boolean): Node {
	const fret = note.grace ?? note.fret;
	const midi = note.midi + fret - note.fret;
	const joint = new Joints();
	joint.add(note, 'start');
	const places = staff === 2 ? [el('string', note.string), el('fret', fret)] : [];
	const technical = [...places, ...joint.technical];
	const parts = [...joint.around, ...(technical.length > 0 ? [el('technical', technical)] : [])];
	return el('note', [
		el('grace', [], { slash: 'yes' }),
		chord ? el('chord') : null,
		pitchNode(midi === note.midi ? note.name : plainName(midi), midi),
		voice,
		el('type', '16th'),
		el('staff', staff),
		parts.length > 0 ? el('notations', parts) : null
	]);
}

/** What is said of a bar's notes on one of the two staves, slice by slice: 1 is standard notation, 2 is tab. */
export function staffNotes(
	bar: PlayedBar,
	slices: readonly Slice[],
	notes: readonly FileNote[],
	staff: 1 | 2
): Node[][] {
	const line: Line = { notes, near: neighbours(notes) };
	const { unit, beats } = bar.signature;
	const pulse = unit === 8 && beats % 3 === 0 ? 1.5 * QUARTER : QUARTER;
	const beams = beamsOf(slices, pulse);
	const tuplets = tupletsOf(slices, QUARTER);
	const voice = el('voice', staff === 1 ? 1 : 5);
	return slices.map((slice, i): Node[] => {
		const { value } = slice;
		const duration = el('duration', slice.to - slice.from);
		const shape = [value ? el('type', TYPES[value.unit]) : null, value?.dots ? el('dot') : null];
		const triplet = value?.triplet
			? el('time-modification', [el('actual-notes', 3), el('normal-notes', 2)])
			: null;
		if (slice.notes.length === 0) {
			const whole = slice.from === 0 && slice.to === bar.lengthTicks;
			const rest = el('rest', [], whole ? { measure: 'yes' } : {});
			const bracket = tuplets[i];
			const marks = bracket ? el('notations', [el('tuplet', [], { type: bracket })]) : null;
			return [el('note', [rest, duration, voice, ...shape, triplet, el('staff', staff), marks])];
		}
		const graced = slice.notes.filter(
			({ note, begins }) => begins && notes[note]!.grace !== undefined
		);
		const graces = graced.map(({ note }, k) => graceNode(notes[note]!, staff, voice, k > 0));
		const written = slice.notes.map((sliced, k) => {
			const { note: index, begins, ends } = sliced;
			const { fretted } = sounding(line, index);
			const own = notes[index]!;
			const alter = parseNote(fretted.name)?.alter ?? 0;
			const first = k === 0;
			return el('note', [
				first ? null : el('chord'),
				pitchNode(fretted.name, fretted.midi),
				duration,
				!begins || comesOn(line, index) ? el('tie', [], { type: 'stop' }) : null,
				!ends || goesOn(line, index) ? el('tie', [], { type: 'start' }) : null,
				voice,
				...shape,
				staff === 1 && begins && alter !== 0 ? el('accidental', ACCIDENTALS[alter + 2]) : null,
				triplet,
				isDead(own) ? el('notehead', 'x') : null,
				el('staff', staff),
				...(first ? beams[i]!.map((beam, depth) => el('beam', beam, { number: depth + 1 })) : []),
				notations(line, sliced, first ? tuplets[i]! : null, staff),
				isAlso(own, 'palm-mute') ? el('play', [el('mute', 'palm')]) : null
			]);
		});
		return [...graces, ...written];
	});
}
