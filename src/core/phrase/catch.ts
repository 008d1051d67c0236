import { barAt, changeAt, eventAt, type Chart } from '../chart';
import { buildScale, type Scale } from '../harmony';
import type { Chord } from '../chord';
import { mod, pitchClass } from '../pitch';
import { contourOf, rootIndex } from './contour';
import type { Played } from './play-in';
import { roleOfPitch } from './role-over';
import type { Basis, Motif, MotifNote } from './types';

/** Where pitches without a place are counted from: a C in the middle, as a MIDI number. */
const MIDDLE = 60;

/** Degrees upward from a note of the scale; a pitch outside the scale is the one below it, raised. */
function degreeOf(midi: number, base: number, from: number, scale: Scale): string {
	const count = scale.notes.length;
	const height = midi - base;
	const octave = Math.floor(height / 12);
	const within = height - 12 * octave;
	const rises = Array.from(
		{ length: count },
		(_, i) => (scale.notes[(from + i) % count]!.pc - scale.notes[from]!.pc + 12) % 12
	);
	const index = rises.findLastIndex((rise) => rise <= within);
	return `${'#'.repeat(within - rises[index]!)}${index + 1 + count * octave}`;
}

/** What pitches in a row are over a chord: roles of it, degrees of its scale, or semitones above its root. */
function stepsOf(
	pitches: readonly number[],
	chord: Chord,
	scale: Scale | null,
	basis: Basis
): Pick<MotifNote, 'step' | 'octave'>[] {
	const rootPc = pitchClass(chord.root);
	const root = pitches[0]! - mod(pitches[0]! - rootPc, 12);
	const from = scale ? rootIndex(chord, scale) : 0;
	const lowest = Math.min(...pitches);
	// Degrees count upward from 1, below the lowest note.
	const basePc = scale?.notes[from]!.pc ?? rootPc;
	const base = lowest - mod(lowest - basePc, 12);
	return pitches.map((midi, i) => {
		if (basis === 'interval') return { step: midi - root };
		if (basis === 'degree') return { step: scale ? degreeOf(midi, base, from, scale) : 1 };
		const step = roleOfPitch(chord, midi);
		const move = i > 0 ? midi - pitches[i - 1]! : 0;
		const up = mod(move, 12);
		const octave = (move - (up <= 6 ? up : up - 12)) / 12;
		return octave === 0 ? { step } : { step, octave };
	});
}

/** The scale that degrees count in where a chart has none. */
const scaleOver = (chord: Chord, scale: Scale | null): Scale | null =>
	scale ?? buildScale(chord.root, 'major');

/**
 * Catches a motif from notes that were played over a chart: their rhythm from the change, or the bar line,
 * at or before the first one, their pitches as roles of that chord, degrees of its scale, or semitones above its root.
 * @returns null where no chord sounds at the first note, or there is no note
 */
export function catchMotif(
	played: readonly Played[],
	chart: Chart,
	scales: readonly (Scale | null)[],
	basis: Basis
): Motif | null {
	const notes = [...played].sort((a, b) => a.tick - b.tick);
	const first = notes[0];
	const chord = first && eventAt(chart, first.tick)?.chord;
	if (!first || !chord) return null;
	const change = changeAt(chart, first.tick);
	// Under a chord that is held on a motif begins with its own bar.
	const bar = barAt(chart, first.tick);
	const origin = Math.max(change?.tick ?? 0, bar?.startTick ?? 0);
	const scale = scaleOver(chord, (change && scales[change.to.index]) ?? null);
	const steps = stepsOf(
		notes.map((note) => note.midi),
		chord,
		scale,
		basis
	);
	return {
		basis,
		notes: notes.map((note, i) => ({
			offsetTicks: note.tick - origin,
			durationTicks: note.durationTicks,
			...steps[i]!
		}))
	};
}

/**
 * A motif told by another basis: the same pitches over this chord. Its landing becomes its last step.
 * @returns the motif itself where it has that basis
 */
export function rebased(motif: Motif, basis: Basis, chord: Chord, scale: Scale | null): Motif {
	if (motif.basis === basis || motif.notes.length === 0) return motif;
	const { first, rise } = contourOf(motif, chord, scale, null);
	const steps = stepsOf(
		rise.map((height) => MIDDLE + first + height),
		chord,
		scaleOver(chord, scale),
		basis
	);
	return {
		basis,
		notes: motif.notes.map(({ offsetTicks, durationTicks }, i) => ({
			offsetTicks,
			durationTicks,
			...steps[i]!
		}))
	};
}
