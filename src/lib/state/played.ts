import type { NoteAnswer, TargetAnswer } from '$lib/api/plan-schema';

export type PlayedNote = NoteAnswer & { readonly round?: number };

/** What is played over the band and shown on the stand: a route, saved or not. */
export type PlayedRoute = {
	/** The line; empty where only landings are planned. A note with a `round` sounds in that time through alone. */
	readonly notes: readonly PlayedNote[];
	readonly targets: readonly TargetAnswer[];
	readonly handAt: (change: number) => number;
	/** The rule of the route in a few words. */
	readonly rule: string;
	/** The player plays it: it is shown, not heard. */
	readonly silent?: boolean;
};

/** Where the music is, as the eye follows it. */
export type Heard =
	| { readonly kind: 'still' }
	| { readonly kind: 'counting'; readonly count: number; readonly of: number }
	| {
			readonly kind: 'playing';
			readonly bar: number;
			readonly beat: number;
			readonly round: number;
			/** Beats until the next change. */
			readonly toGo: number;
			/** Changes of the chart: the one that sounds, the one that comes. */
			readonly now: number | null;
			readonly next: number | null;
	  };

/** Who leads the music in place of plain playing, as a drill does with its passes. */
export type Lead = {
	/** What begins where plain playing would. */
	readonly begin: () => void;
	/** Told at every beat. */
	readonly heard: () => void;
	/** Told when the music ends, by itself or by the player, and how many ms after its first beat. */
	readonly ended: (byItself: boolean, elapsedMs: number) => void;
	/** True while the tempo must stay as it is: who changes it ends the music. */
	readonly steady: () => boolean;
};

export const STILL: Heard = { kind: 'still' };
