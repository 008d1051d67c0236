import type { Chart } from '../../chart';
import type { Role } from '../../chord';
import type { Scale } from '../../harmony';
import type { Instrument, Place } from '../../neck';
import type { Notation } from '../../pitch';

/** A note of any line. Ticks from the first beat; the place where it is known. */
export type PlayedNote = {
	readonly tick: number;
	readonly durationTicks: number;
	readonly midi: number;
	readonly string?: number;
	readonly fret?: number;
};

/** What a line is judged by. `position` null where the hand is free. */
export type CheckRequest = {
	readonly chart: Chart;
	readonly instrument: Instrument;
	/** The scale in use at each event of the chart; null where there is none. */
	readonly scales: readonly (Scale | null)[];
	readonly position: number | null;
	readonly notes: readonly PlayedNote[];
};

export type LandingResult = 'landed' | 'late' | 'missed' | 'silent';

/** The smallest move that makes a change land: which note (an index, null to strike a new one), to where. */
export type Fix = {
	readonly tick: number;
	readonly note: number | null;
	readonly toMidi: number;
	readonly place: Place | null;
	readonly text: string;
};

/** How one change came out; `note` is an index into the line, ordered by time. */
export type CheckedChange = {
	readonly index: number;
	readonly result: LandingResult;
	readonly note: number | null;
	readonly midi: number | null;
	readonly name: Notation | null;
	readonly role: Role | null;
	readonly fix: Fix | null;
};

/** A note that neither chord nor scale has, or that clashes; `resolved` when the next note takes it up by a step. */
export type Stray = {
	readonly note: number;
	readonly tick: number;
	readonly name: Notation;
	readonly resolved: boolean;
};

export type Check = {
	readonly notes: readonly PlayedNote[];
	readonly changes: readonly CheckedChange[];
	readonly outside: readonly Stray[];
	readonly clashes: readonly Stray[];
	readonly exits: readonly number[];
	readonly metrics: {
		readonly landedShare: number;
		readonly chordToneOnStrongBeatsShare: number;
		readonly outsideShare: number;
		readonly windowExits: number;
		readonly largestLeap: number;
	};
	readonly verdict: string;
};
