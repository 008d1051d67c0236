import type { Chart } from '../chart';
import type { Role } from '../chord';
import type { Scale } from '../harmony';
import type { Instrument } from '../neck';
import type { LineNote } from '../route';

/** What the steps of a motif count from: the chord's roles, the scale's degrees, or semitones above the root. */
export const BASES = ['role', 'degree', 'interval'] as const;
export type Basis = (typeof BASES)[number];

/**
 * A note of a motif. `offsetTicks` counts from the change that the motif is laid on. `step` is a role
 * (`b3`), a degree (`3`, `#4`, `8`), or semitones from the root, by the motif's basis. Roles name no
 * octave: each is the nearest one to the note before, `octave` octaves on.
 */
export type MotifNote = {
	readonly offsetTicks: number;
	readonly durationTicks: number;
	readonly step: string | number;
	readonly octave?: number;
};

/** A short phrase apart from any chord. `landing` takes the place of the last step, whatever the basis. */
export type Motif = {
	readonly basis: Basis;
	readonly notes: readonly MotifNote[];
	readonly landing?: Role;
};

/** Where a motif is laid out. */
export type PhraseContext = {
	readonly chart: Chart;
	readonly instrument: Instrument;
	/** The scale of each event of the chart, by index; null where there is none. */
	readonly scales: readonly (Scale | null)[];
	/** Where the hand is at a change. */
	readonly handAt: (change: number) => number;
};

/** Something that could not be as it was asked for, and what was done; `index` is that of a note. */
export type PhraseProblem = { readonly index: number; readonly message: string };

/** A phrase as notes of a line. */
export type Phrase = {
	readonly notes: readonly LineNote[];
	readonly problems: readonly PhraseProblem[];
};
