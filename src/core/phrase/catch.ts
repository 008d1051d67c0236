import { eventAt, type Chart } from '../chart';
import { buildScale, type Scale } from '../harmony';
import { pitchClass } from '../pitch';
import { rootIndex } from './contour';
import { roleOfPitch } from './role-over';
import type { Basis, Motif, MotifNote } from './types';

/** A note that was played. */
type Played = { readonly tick: number; readonly durationTicks: number; readonly midi: number };

/** Degrees upward from a note of the scale; a pitch outside the scale is the one below it, raised. */
function degreeOf(midi: number, base: number, from: number, scale: Scale): string {
	const count = scale.notes.length;
	const height = midi - base;
	const octave = Math.floor(height / 12);
	const within = height - 12 * octave;
	const rises = Array.from(
		{ length: count },
		(_, i) => (scale.notes[(from + i) % count].pc - scale.notes[from].pc + 12) % 12
	);
	const index = rises.findLastIndex((rise) => rise <= within);
	return `${'#'.repeat(within - rises[index])}${index + 1 + count * octave}`;
}

/**
 * Catches a motif from notes that were played over a chart: their rhythm from the change at or before the
 * first one, their pitches as roles of that chord, degrees of its scale, or semitones above its root.
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
	const change = chart.changes.findLast((entry) => entry.tick <= first.tick);
	const origin = change?.tick ?? 0;
	const rootPc = pitchClass(chord.root);
	const root = first.midi - ((((first.midi - rootPc) % 12) + 12) % 12);
	const scale = (change && scales[change.to.index]) ?? buildScale(chord.root, 'major');
	const from = scale ? rootIndex(chord, scale) : 0;
	const lowest = Math.min(...notes.map((note) => note.midi));
	// Degrees count upward from 1, below the lowest note.
	const basePc = scale?.notes[from].pc ?? rootPc;
	const base = lowest - ((((lowest - basePc) % 12) + 12) % 12);
	return {
		basis,
		notes: notes.map((note, i): MotifNote => {
			const at = { offsetTicks: note.tick - origin, durationTicks: note.durationTicks };
			if (basis === 'interval') return { ...at, step: note.midi - root };
			if (basis === 'degree') {
				return { ...at, step: scale ? degreeOf(note.midi, base, from, scale) : 1 };
			}
			const step = roleOfPitch(chord, note.midi);
			const before = notes[i - 1];
			const move = before ? note.midi - before.midi : 0;
			const up = ((move % 12) + 12) % 12;
			const near = up <= 6 ? up : up - 12;
			const octave = (move - near) / 12;
			return octave === 0 ? { ...at, step } : { ...at, step, octave };
		})
	};
}
