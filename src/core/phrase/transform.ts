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
			const octave = i === 0 ? 0 : -octaves[count - i]!;
			const { offsetTicks, durationTicks } = note;
			const step =
				i === 0 && motif.landing && motif.basis === 'role' ? motif.landing : steps[count - 1 - i]!;
			return octave === 0
				? { offsetTicks, durationTicks, step }
				: { offsetTicks, durationTicks, step, octave };
		})
	};
}

/** A pitch of a motif set on another step, or taken out of it. */
export const withStep = (motif: Motif, index: number, step: string | number): Motif => ({
	...motif,
	notes: motif.notes.map((note, i) => (i === index ? { ...note, step } : note))
});
export const without = (motif: Motif, index: number): Motif => ({
	...motif,
	notes: motif.notes.filter((_, i) => i !== index)
});

/** Rhythms for a motif of any number of notes: where each note begins, in eighths of a bar of 4/4. */
export const RHYTHMS: readonly {
	readonly id: string;
	readonly name: string;
	readonly eighths: readonly number[];
}[] = [
	{ id: 'eighths', name: 'eighths', eighths: [0, 1, 2, 3, 4, 5, 6, 7] },
	{ id: 'long-two', name: 'long, two', eighths: [0, 2, 3, 4, 6, 7] },
	{ id: 'rest-first', name: 'rest first', eighths: [1, 2, 3, 4, 6, 7] },
	{ id: 'three-three', name: 'threes', eighths: [0, 3, 6, 7] },
	{ id: 'early', name: 'early', eighths: [0, 2, 3, 5, 7] }
];

const EIGHTH = 240;
const BAR = 8;

/**
 * A motif in another rhythm: its notes at the rhythm's places one after another, in further bars where it
 * has more notes than places; each sounds until the next, the last to the end of its bar.
 */
export function inRhythm(motif: Motif, eighths: readonly number[]): Motif {
	const starts = motif.notes.map(
		(_, i) => eighths[i % eighths.length]! + BAR * Math.floor(i / eighths.length)
	);
	return {
		...motif,
		notes: motif.notes.map((note, i) => {
			const end = starts[i + 1] ?? BAR * (Math.floor(starts[i]! / BAR) + 1);
			return {
				...note,
				offsetTicks: starts[i]! * EIGHTH,
				durationTicks: (end - starts[i]!) * EIGHTH
			};
		})
	};
}
