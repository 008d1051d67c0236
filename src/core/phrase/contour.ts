import { isRole, type Chord, type Role } from '../chord';
import { above, degreeInterval, noteName, pitchClass, type Notation, type Note } from '../pitch';
import type { Scale } from '../harmony';
import { roleOver } from './role-over';
import type { Motif, MotifNote } from './types';

/** A motif over one chord: semitones of each note from the first one, and their names. */
export type Contour = {
	readonly first: number;
	readonly rise: readonly number[];
	readonly names: readonly Notation[];
};

/** The way from one pitch class to another that is shortest; of two equal ones the one upward. */
const nearestStep = (from: number, to: number): number => {
	const up = (((to - from) % 12) + 12) % 12;
	return up <= 6 ? up : up - 12;
};

type Tone = { readonly pc: number; readonly name: Notation; readonly height: number | null };

const DEGREE = /^(bb|b|##|#)?(\d{1,2})$/;

/** A degree of a motif: its number from 1 and its accidental in semitones; null when it is none. */
function readDegree(step: string | number): { number: number; alter: number } | null {
	const match = DEGREE.exec(String(step));
	if (!match) return null;
	const number = Number(match[2]);
	const alter = { bb: -2, b: -1, '#': 1, '##': 2 }[match[1] ?? ''] ?? 0;
	return number >= 1 && number <= 22 ? { number, alter } : null;
}

/** The index of the scale note that degrees over a chord count from: its root, or the note nearest to it. */
export function rootIndex(chord: Chord, scale: Scale): number {
	const root = pitchClass(chord.root);
	return scale.notes
		.map((note, index) => ({ index, away: Math.abs(nearestStep(root, note.pc)) }))
		.sort((a, b) => a.away - b.away || a.index - b.index)[0]!.index;
}

/** Scale steps counted upward from there. */
function degreeTone(step: string | number, chord: Chord, scale: Scale): Tone {
	const read = readDegree(step) ?? { number: 1, alter: 0 };
	const from = rootIndex(chord, scale);
	const count = scale.notes.length;
	const at = from + read.number - 1;
	const note = scale.notes[at % count]!;
	const base = scale.notes[from]!.pc;
	const height = 12 * Math.floor((read.number - 1) / count);
	const within = (note.pc - base + 12) % 12;
	const moved: Note = { ...note.note, alter: note.note.alter + read.alter };
	return {
		pc: (((note.pc + read.alter) % 12) + 12) % 12,
		name: noteName(moved),
		height: height + within + read.alter
	};
}

const INTERVALS = ['1', 'b2', '2', 'b3', '3', '4', '#4', '5', 'b6', '6', 'b7', '7'];

function intervalTone(step: string | number, chord: Chord): Tone {
	const semitones = Number(step);
	const within = ((semitones % 12) + 12) % 12;
	const note = above(chord.root, degreeInterval(INTERVALS[within]!));
	return { pc: pitchClass(note), name: noteName(note), height: semitones };
}

function roleTone(role: Role, chord: Chord, scale: Scale | null, next: Chord | null): Tone {
	const { note, pc } = roleOver(chord, role, scale, next);
	return { pc, name: noteName(note), height: null };
}

/** How a motif goes over a chord; the degrees of a chart without a scale are those of the major scale. */
export function contourOf(
	motif: Motif,
	chord: Chord,
	scale: Scale | null,
	next: Chord | null
): Contour {
	const last = motif.notes.length - 1;
	const tones = motif.notes.map(({ step }: MotifNote, i): Tone => {
		if (i === last && motif.landing) return roleTone(motif.landing, chord, scale, next);
		if (motif.basis === 'role' && isRole(step)) return roleTone(step, chord, scale, next);
		if (motif.basis === 'interval') return intervalTone(step, chord);
		return scale ? degreeTone(step, chord, scale) : majorTone(step, chord);
	});
	const rise: number[] = [];
	tones.forEach((tone, i) => {
		const before = tones[i - 1];
		if (!before) rise.push(0);
		else if (tone.height !== null && before.height !== null) {
			rise.push(rise[i - 1]! + tone.height - before.height);
		} else {
			const octave = motif.notes[i]!.octave ?? 0;
			rise.push(rise[i - 1]! + nearestStep(before.pc, tone.pc) + 12 * octave);
		}
	});
	return { first: tones[0]?.pc ?? 0, rise, names: tones.map((tone) => tone.name) };
}

function majorTone(step: string | number, chord: Chord): Tone {
	const read = readDegree(step) ?? { number: 1, alter: 0 };
	const within = (read.number - 1) % 7;
	const plain = above(chord.root, degreeInterval(String(within + 1)));
	const moved = { ...plain, alter: plain.alter + read.alter };
	const semitones = [0, 2, 4, 5, 7, 9, 11][within]! + read.alter;
	return {
		pc: (((pitchClass(plain) + read.alter) % 12) + 12) % 12,
		name: noteName(moved),
		height: 12 * Math.floor((read.number - 1) / 7) + semitones
	};
}

/** True for a step that a basis can read. */
export function isStep(
	basis: Motif['basis'],
	step: string | number,
	roles: readonly string[]
): boolean {
	if (basis === 'role') return typeof step === 'string' && roles.includes(step) && step !== 'bass';
	if (basis === 'degree') return readDegree(step) !== null;
	const semitones = Number(step);
	return step !== '' && Number.isInteger(semitones) && Math.abs(semitones) <= 36;
}
