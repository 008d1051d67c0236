import type { BarRange, Swing } from '../band';
import type { Chart } from '../chart';
import type { Role } from '../chord';
import type { Scale } from '../harmony';
import type { Instrument } from '../neck';
import type { Colours, Grid } from '../route';

/**
 * A note as it was played. Times in ms, `timeMs` from the first beat of the first bar (negative while it
 * is counted in). `cents` is how far the steady part of the note lies above `midi`, where it is known; a
 * bent note has the pitch of its fret as `midi` and the bend in `cents` (about 100 or 200).
 */
export type PlayedEvent = {
	readonly timeMs: number;
	readonly durationMs: number;
	readonly midi: number;
	readonly cents?: number;
};

/** Where a take comes from; `hand` is the player's own word for it. */
export const INPUTS = ['midi', 'microphone', 'file', 'neck', 'simulated', 'hand'] as const;
export type InputKind = (typeof INPUTS)[number];

/** Notes that a drill allows: the scale in use, chord tones, the landings alone, or anything. */
export const ALLOWED_NOTES = ['scale', 'arpeggio', 'targets', 'any'] as const;
/** Tones that a drill lands on. */
export const LANDINGS = ['roots', 'guide-tones', 'any'] as const;

/** What a drill asks besides landing; what is left out is free. Strings from 1, the thinnest; bars as played, from 1. */
export type Rules = {
	readonly notes?: (typeof ALLOWED_NOTES)[number];
	readonly grid?: Grid;
	readonly position?: number;
	readonly strings?: readonly number[];
	readonly landOn?: (typeof LANDINGS)[number];
	/** Changes that need not be landed. */
	readonly letPass?: readonly number[];
	/** Bars that are left to the others; their changes pass. */
	readonly restBars?: readonly number[];
	/** The one fret that is played, as with a slide. */
	readonly fret?: number;
	/** What a colour of the scale is at a change; a miss where left out. */
	readonly colours?: Colours;
};
export type RuleName = Exclude<keyof Rules, 'letPass' | 'colours'>;

/** When a change is due and how wide its surroundings are, in ms. */
export type Timing = {
	readonly chart: Chart;
	/** Quarter notes a minute. */
	readonly tempo: number;
	readonly swing: Swing;
	/** Bars that go round; null is the whole chart. Time 0 is the first beat of the range. */
	readonly range: BarRange | null;
	readonly loops: number;
};

/** What a take is judged by. */
export type JudgeRequest = Timing & {
	readonly instrument: Instrument;
	/** The scale in use at each event of the chart; null where there is none. */
	readonly scales: readonly (Scale | null)[];
	readonly rules: Rules;
	/** How far from its moment a note may be struck and still land, in ms. */
	readonly toleranceMs: number;
	/** Taken off the time of every event, in ms. */
	readonly latencyMs: number;
	readonly events: readonly PlayedEvent[];
	/** Where the player stopped, in ms: later changes pass. */
	readonly untilMs?: number;
};

/** How a change came out, best first; `leaning` rests on a colour of the scale, `passed` was not asked for. */
export const RESULTS = [
	'landed',
	'held',
	'leaning',
	'early',
	'late',
	'missed',
	'silent',
	'passed'
] as const;
export type Result = (typeof RESULTS)[number];

/** One change of one time through. `loop` counts from 0; `errorMs` is played less due. */
export type JudgedChange = {
	readonly index: number;
	readonly loop: number;
	readonly result: Result;
	readonly midi: number | null;
	readonly role: Role | null;
	readonly errorMs: number | null;
};

/** A note that breaks a rule of the drill. `timeMs` from the first beat, latency taken off. */
export type Violation = {
	readonly timeMs: number;
	readonly rule: RuleName;
	readonly message: string;
};

export type Judgement = {
	readonly changes: readonly JudgedChange[];
	readonly violations: readonly Violation[];
	/** Landed and held among those that were asked for, 0 … 1; 1 where none was. */
	readonly landedShare: number;
	/** The middle of the errors of notes that were struck for their change; null without any. */
	readonly medianErrorMs: number | null;
	/** Every change that was asked for landed or held, and no rule was broken. */
	readonly clean: boolean;
	/** Where the input tells cents: how the bends came out. */
	readonly bends: readonly Bend[];
};

/** A bend against the note that it aims for. */
export type Bend = {
	readonly timeMs: number;
	/** The played bar, from 1. */
	readonly bar: number;
	/** The pitch of the fret, and the pitch that is meant. */
	readonly from: number;
	readonly aim: number;
	/** ASCII name of the aim. */
	readonly name: string;
	/** Above the aim is overdone, below it falls short: cents. */
	readonly cents: number;
};

/** What was taken as the landing of a change: an index into the events in order of time. */
export type Taken = JudgedChange & { readonly event: number | null; readonly dueMs: number };
