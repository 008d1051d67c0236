import type { Change } from '../../chart';
import type { Tone } from '../../chord';
import type { WindowPlace } from '../../neck';

/** A place that sounds a tone of a change's chord, or one that may be landed on besides. */
export type Candidate = Omit<WindowPlace, 'furthest'> & {
	readonly tone: Tone;
	/** On a chord that goes on: the pitch classes that were landed on in turn, this one among them, as bits. */
	readonly used?: number;
};

/**
 * How the tones of a chord that goes on take turns: each is landed on once before one is landed on again, and never two
 * times running.
 */
export type Turn = {
	/** The pitch classes that take part, as bits. */
	readonly among: number;
	/** The player chose the place, or asks what each would cost: out of turn costs, but is not forbidden. */
	readonly free: boolean;
};

/** A change with the places it may land on; `locked` when the player chose the only one. */
export type Step = {
	readonly change: Change;
	readonly candidates: readonly Candidate[];
	readonly locked: boolean;
	/** Where the chord of the step before goes on: how its tones take turns. */
	readonly turn: Turn | null;
};
