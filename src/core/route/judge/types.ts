import type { Chart } from '../../chart';
import type { Role } from '../../chord';
import type { Scale } from '../../harmony';
import type { Instrument, Place } from '../../neck';
import type { Notation, Note } from '../../pitch';
import type { Playing } from '../playing';

/**
 * A note of any line; several may share a tick. Ticks from the first beat; the place and the way of playing where they
 * are known. `midi` is the pitch of its place; `bend` may be negative where a bent note is let down.
 */
export type PlayedNote = Pick<Partial<Playing>, 'technique' | 'also' | 'bend'> & {
	readonly tick: number;
	readonly durationTicks: number;
	readonly midi: number;
	readonly string?: number;
	readonly fret?: number;
};

/** What a colour of the scale is at a change: a miss, told as leaning, or as good as a landing. */
export const COLOURS = ['miss', 'lean', 'land'] as const;
export type Colours = (typeof COLOURS)[number];

/** What a line is judged by. `position` null where the hand is free. */
export type CheckRequest = {
	readonly chart: Chart;
	readonly instrument: Instrument;
	/** The scale in use at each event of the chart; null where there is none. */
	readonly scales: readonly (Scale | null)[];
	readonly position: number | null;
	readonly notes: readonly PlayedNote[];
	/** Left out a colour is a miss. */
	readonly colours?: Colours;
	/** The tonic of home, where the player lands on it whatever the chord. */
	readonly home?: Note;
};

/** `leaning`: a colour of the scale sounds there and is not resolved within a beat. */
export const LANDING_RESULTS = ['landed', 'leaning', 'late', 'missed', 'silent'] as const;
export type LandingResult = (typeof LANDING_RESULTS)[number];

/** A tone that sounds at a change beside the one that is told. */
export type Beside = {
	readonly midi: number;
	readonly name: Notation;
	readonly role: Role | null;
};

/** The smallest move that makes a change land: which note (an index, null to strike a new one), to where. */
export type Fix = {
	readonly tick: number;
	readonly note: number | null;
	readonly toMidi: number;
	readonly place: Place | null;
	readonly text: string;
};

/**
 * How one change came out; `note` is an index into the line, ordered by time; `midi` is where a bend arrives. Of several
 * notes the highest tone is told, `beside` are the others that were struck with it, the highest first.
 */
export type CheckedChange = {
	readonly index: number;
	readonly result: LandingResult;
	readonly note: number | null;
	readonly midi: number | null;
	readonly name: Notation | null;
	readonly role: Role | null;
	readonly beside: readonly Beside[];
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
