import { type TimeSignature } from '../../chart';
import type { Interval } from '../../pitch';

/** What holds from one measure to the next. The first tempo, key and tuning are the tune's. */
export type PartState = {
	divisions: number;
	signature: TimeSignature;
	fifths: number | null;
	mode: string;
	tempo: number | null;
	swing: { first: number; second: number; type: string } | null;
	/** Sounding less written. */
	transpose: Interval;
	/** Open pitches by line, from the lowest. */
	tuning: Map<number, number>;
	capo: number;
};

export const startOf = (): PartState => ({
	divisions: 1,
	signature: { beats: 4, unit: 4 },
	fifths: null,
	mode: 'major',
	tempo: null,
	swing: null,
	transpose: { steps: 0, semitones: 0 },
	tuning: new Map(),
	capo: 0
});

const STEPS: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };

/** The MIDI number of a step with alteration and octave; null where it is none. */
export function midiOf(step: string, alter: number | null, octave: number | null): number | null {
	const pc = STEPS[step.toUpperCase()];
	if (pc === undefined || octave === null) return null;
	const midi = 12 * (octave + 1) + pc + Math.round(alter ?? 0);
	return midi >= 0 && midi <= 127 ? midi : null;
}
