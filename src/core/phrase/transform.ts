import type { Role } from '../chord';
import type { Motif } from './types';

/** The same opening with another landing: the answer to a call. */
export const answered = (motif: Motif, landing: Role): Motif => ({ ...motif, landing });

/** The whole motif later (or, negative, earlier), in ticks. */
export const displaced = (motif: Motif, ticks: number): Motif => ({
	...motif,
	notes: motif.notes.map((note) => ({ ...note, offsetTicks: note.offsetTicks + ticks }))
});

/** The pitches backward in the same rhythm. */
export function reversed(motif: Motif): Motif {
	const count = motif.notes.length;
	const steps = motif.notes.map((note) => note.step);
	// The way between two notes is the same backward, the other way round.
	const octaves = motif.notes.map((note) => note.octave ?? 0);
	return {
		...motif,
		landing: undefined,
		notes: motif.notes.map((note, i) => {
			const octave = i === 0 ? 0 : -octaves[count - i];
			const { offsetTicks, durationTicks } = note;
			const step =
				i === 0 && motif.landing && motif.basis === 'role' ? motif.landing : steps[count - 1 - i];
			return octave === 0
				? { offsetTicks, durationTicks, step }
				: { offsetTicks, durationTicks, step, octave };
		})
	};
}
