import { QUARTER } from '../kernel';
import type { Chord, Key } from '../chord';
import type { Notation, Note } from '../pitch';

/** Limits of chart text: bytes, written bars, played bars, chords in one bar. */
export const LIMITS = { bytes: 64 * 1024, written: 512, played: 2048, chordsPerBar: 16 } as const;

export const FEELS = ['straight', 'swing', 'shuffle', 'waltz', 'ballad', 'sixteenths'] as const;
export type Feel = (typeof FEELS)[number];

/** A place in chart text; `line` and `column` count from 1, columns and length in UTF-16 units. */
export type Span = { readonly line: number; readonly column: number; readonly length: number };

/**
 * Something to say about chart text. `suggestion` is text that may replace the span; `limit` marks
 * text that is over one of `LIMITS` and was read only in part.
 */
export type Diagnostic = Span & {
	readonly severity: 'error' | 'warning' | 'info';
	readonly message: string;
	readonly suggestion: string | null;
	readonly limit?: true;
};

export type TimeSignature = { readonly beats: number; readonly unit: 4 | 8 };

/** What the header lines say; null where a line is missing or cannot be read. */
export type Headers = {
	readonly title: string | null;
	readonly key: Key | null;
	readonly scale: { readonly tonic: Note; readonly name: string; readonly span: Span } | null;
	readonly time: TimeSignature;
	readonly tempo: number;
	readonly feel: Feel;
	readonly tuning: { readonly text: string; readonly span: Span } | null;
	readonly capo: number;
};

/** One share of a bar. `push` is in ticks before the written beat. */
export type Cell = { readonly span: Span } & (
	| { readonly kind: 'chord'; readonly chord: Chord; readonly text: string; readonly push: number }
	| { readonly kind: 'silence'; readonly text: string; readonly push: number }
	| { readonly kind: 'unreadable'; readonly text: string; readonly push: number }
	| { readonly kind: 'hold' }
);

/** A bar as it stands in the text; `number` counts from 1. */
export type WrittenBar = {
	readonly number: number;
	readonly span: Span;
	readonly signature: TimeSignature;
	readonly cells: readonly Cell[];
	/** The bar was written `%`; its cells are those of the bar before. */
	readonly repeatsBefore: boolean;
	readonly startsRepeat: boolean;
	/** How often `:|` after this bar plays its stretch in all; 0 without one. */
	readonly repeatTimes: number;
	readonly endings: readonly number[];
};

/** A stretch of written bars `from` … `to` − 1 (indices), played `times` times. */
export type Section = {
	readonly name: string | null;
	readonly times: number;
	readonly from: number;
	readonly to: number;
};

/** A bar as it is played. `written` is an index; `pass` counts the times that bar was reached, from 1. */
export type PlayedBar = {
	readonly index: number;
	readonly written: number;
	readonly pass: number;
	readonly section: string | null;
	readonly startTick: number;
	readonly lengthTicks: number;
	readonly signature: TimeSignature;
};

/**
 * A chord, or a silence, as it sounds. `bar` and `beat` count from 1 and say where it is written;
 * `startTick` is when it sounds, which a push makes earlier.
 */
export type ChordEvent = {
	readonly index: number;
	readonly kind: 'chord' | 'silence' | 'unreadable';
	readonly chord: Chord | null;
	readonly symbol: string;
	readonly bar: number;
	readonly beat: number;
	readonly pass: number;
	readonly startTick: number;
	readonly durationTicks: number;
	readonly span: Span;
};

/** The moment when a new chord sounds. `from` is null after silence. Ticks from the first beat. */
export type Change = {
	readonly index: number;
	readonly tick: number;
	readonly bar: number;
	readonly beat: number;
	/** Written bar (from 1) and pass: where the change stays when the chart is edited elsewhere. */
	readonly source: number;
	readonly pass: number;
	readonly from: ChordEvent | null;
	readonly to: ChordEvent & { readonly chord: Chord; readonly symbol: Notation };
};

/** A chart, parsed, unfolded and set in time. */
export type Chart = {
	readonly headers: Headers;
	readonly bars: readonly WrittenBar[];
	readonly sections: readonly Section[];
	readonly played: readonly PlayedBar[];
	readonly events: readonly ChordEvent[];
	readonly changes: readonly Change[];
	readonly diagnostics: readonly Diagnostic[];
};

/** Ticks of one beat and of one bar under a signature. */
export const beatTicks = (time: TimeSignature): number => (4 * QUARTER) / time.unit;
export const barTicks = (time: TimeSignature): number => time.beats * beatTicks(time);
