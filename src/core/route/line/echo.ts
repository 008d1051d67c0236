import { roleKind, type RoleKind } from '../../chord';
import type { Candidate } from './pool';
import { LINE } from './weights';

/**
 * What a stretch takes up from an earlier one: the contour in scale steps from note to note, or for a
 * mirrored cell the kind of tone on each note. The last notes are free, so that it can land elsewhere.
 */
export type Echo =
	| { readonly kind: 'contour'; readonly steps: readonly (number | null)[] }
	| { readonly kind: 'mirror'; readonly tones: readonly (RoleKind | null)[] };

/** Price of the move into note `i` of a stretch for leaving what it echoes, in thousandths. */
export function echoCost(echo: Echo, i: number, from: Candidate, to: Candidate): number {
	if (echo.kind === 'mirror') {
		const wanted = echo.tones[i];
		if (wanted === undefined) return 0;
		const kind = to.tone ? roleKind(to.tone.role) : null;
		return kind === wanted ? 0 : LINE.mirrorKind;
	}
	const wanted = echo.steps[i];
	if (wanted === undefined || wanted === null) return 0;
	const off = Math.abs(to.rank - from.rank - wanted);
	return Math.min(LINE.echoMost, LINE.echoStep * off);
}

/** Notes before the target that an echo leaves free. */
const FREE = 2;

/** The contour of some notes in scale steps; the first move starts from a target and is free. */
export const contourOf = (notes: readonly Candidate[]): Echo => ({
	kind: 'contour',
	steps: notes
		.slice(0, Math.max(0, notes.length - FREE))
		.map((note, i) => (i === 0 ? null : note.rank - notes[i - 1].rank))
});

/** The kinds of tones of a cell, to be played over other chords. */
export const mirrorOf = (notes: readonly Candidate[]): Echo => ({
	kind: 'mirror',
	tones: notes
		.slice(0, Math.max(1, notes.length - 1))
		.map((note) => (note.tone ? roleKind(note.tone.role) : null))
});
