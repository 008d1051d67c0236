import { parseChord, ROLES, roleWords, signs, toneAt, type Chord, type Role } from '$core/chord';
import { buildScale, readOver, type Hidden, type Scale, nameOver } from '$core/harmony';
import {
	boxAt,
	fullArpeggio,
	pitchAt,
	type Bend,
	type DoubleStop,
	type Grip,
	type Instrument,
	type Place,
	type Position,
	type Shape
} from '$core/neck';
import { noteName, pitchClass, type Notation, type Note, parseNote } from '$core/pitch';
import { prefs } from '$lib/state/prefs.svelte';
import type { Figure, FigureNote } from '$lib/draw/figure';

export type Tense = 'now' | 'next';

/** True for a role that has a mark. */
export const isRole = (text: string): text is Role => (ROLES as readonly string[]).includes(text);
const LIFTS: Record<number, string> = { 0.5: '¼', 1: '½', 2: '1', 3: '1½' };
const LIFT_WORDS: Record<number, string> = {
	0.5: 'a quarter tone',
	1: 'half a tone',
	2: 'a whole tone',
	3: 'one and a half tones'
};

/** How far a bend goes in tones, as players write it. */
export const lift = (semitones: number): string => LIFTS[semitones] ?? '';
const liftWords = (semitones: number): string => LIFT_WORDS[semitones] ?? '';

/** A place in words: `string 3 fret 8`, `string 3 open`. */
export const placeText = ({ string, fret }: Place): string =>
	`string ${string} ${fret === 0 ? 'open' : `fret ${fret}`}`;

/** One note heard over a chord: its own tone in the chord's colour, any other in ink. */
function heard(place: Place, note: Note, chord: Chord, tense: Tense): FigureNote {
	const role = readOver(note, chord);
	const own = chord.tones.some((tone) => tone.pc === pitchClass(note));
	const label = prefs.label({ role, name: noteName(note), pc: pitchClass(note) });
	const { string, fret } = place;
	if (!isRole(role)) return { string, fret, label };
	return { string, fret, label, [own ? tense : 'ink']: role };
}

/** An arpeggio shape of the chord now or next. */
export function shapeFigure(shape: Shape, chord: Chord, tense: Tense): Figure {
	const notes = shape.notes.map(({ string, fret, role, name, midi, finger, reach }) => ({
		...{ string, fret, finger, reach, [tense]: role },
		label: prefs.label({ role, name, pc: midi % 12 })
	}));
	const path = shape.notes.map((note) => `${prefs.name(note.name)} ${placeText(note)}`).join(', ');
	return { kind: 'path', notes, words: `${signs(chord.symbol)}: ${path}` };
}

/** The note that a pitch is to a chord or a scale. */
function noteAt(midi: number, chord: Chord, scale: Scale | null): Note | null {
	return parseNote(nameOver(midi, { chord, scale, key: null }));
}

/** A grip of the chord now or next, or of a cell. */
export function gripFigure(grip: Grip, name: Notation, tense: Tense): Figure {
	const notes = grip.notes.map(({ string, fret, role, name, midi, finger }) => ({
		...{ string, fret, finger, [tense]: role },
		label: prefs.label({ role, name, pc: midi % 12 })
	}));
	const told = grip.notes.map((note) => `${prefs.name(note.name)} ${placeText(note)}`).join(', ');
	return { kind: 'marks', notes, words: `${signs(name)} at one time: ${told}` };
}

export function pairFigure(
	pair: DoubleStop,
	instrument: Instrument,
	chord: Chord,
	tense: Tense,
	scale: Scale | null
): Figure {
	const notes = [pair.a, pair.b].flatMap((place) => {
		const note = noteAt(pitchAt(instrument, place), chord, scale);
		return note ? [heard(place, note, chord, tense)] : [];
	});
	const how = pair.bend > 0 ? `, both bent ${liftWords(pair.bend)}` : '';
	const words = `${pair.interval} on ${placeText(pair.a)} and ${placeText(pair.b)}${how}`;
	return { kind: 'pair', notes, words };
}

export function bendFigure(bend: Bend, chord: Chord, tense: Tense, scale: Scale | null): Figure {
	const { string, fret, unison, semitones } = bend;
	const note = noteAt(bend.midi, chord, scale);
	const start = note ? heard({ string, fret }, note, chord, tense) : { string, fret, label: '' };
	const goal = chord.tones.find((tone) => tone.role === bend.toRole);
	const end = unison && goal ? [heard(unison, goal.note, chord, tense)] : [];
	return {
		kind: 'bend',
		notes: [start, ...end],
		lift: lift(semitones),
		words:
			semitones < 1
				? `Curl ${placeText(bend)} a quarter tone toward the ${roleWords(bend.toRole)}`
				: `Bend ${placeText(bend)} up ${liftWords(semitones)} to the ${roleWords(bend.toRole)}`
	};
}

/** A hidden arpeggio or cell, laid out in the place and heard over the chord. */
export function hiddenFigure(
	hidden: Hidden,
	instrument: Instrument,
	position: number,
	chord: Chord
): Figure | null {
	const noteOf = (midi: number) => hidden.notes.find((note) => pitchClass(note) === midi % 12);
	const own = hidden.kind === 'arpeggio' ? parseChord(hidden.name) : null;
	const cell = /^\S+ (.+)$/.exec(hidden.name)?.[1];
	const scale = cell ? buildScale(hidden.notes[0], cell) : null;
	const laid = own
		? fullArpeggio(instrument, own, position)?.notes
		: scale && boxAt(instrument, scale, position)?.notes;
	if (!laid) return null;
	const notes = laid.flatMap((place) => {
		const note = noteOf(place.midi);
		if (!note) return [];
		const { finger, reach } = place;
		return [{ ...heard(place, note, chord, 'now'), finger, reach }];
	});
	return { kind: 'path', notes, words: `${signs(hidden.name)} over ${signs(chord.symbol)}` };
}

/** A scale as one family lays it out: chord tones keep their marks, the rest are dashes. */
export function layoutFigure(
	layout: Position,
	now: Chord | null,
	next: Chord | null,
	scaleName: string
): Figure {
	const notes = layout.notes.map((note) => {
		const { string, fret, midi, name, degree, finger, reach, passing } = note;
		const roles = {
			now: now ? toneAt(now, midi)?.role : undefined,
			next: next ? toneAt(next, midi)?.role : undefined
		};
		const role = roles.next ?? roles.now ?? (degree === '1' ? 'R' : degree);
		// A passing note is told from the dashes of the scale by its name.
		const over = passing && now ? readOver(parseNote(name) ?? now.root, now) : '';
		const ink = passing && !roles.now && !roles.next && isRole(over) ? { ink: over } : {};
		return {
			...{ string, fret, finger, reach, ...roles, ...ink },
			label: prefs.label({ role, name, pc: midi % 12 })
		};
	});
	return { kind: 'path', notes, words: `${scaleName} from position ${layout.position}` };
}
