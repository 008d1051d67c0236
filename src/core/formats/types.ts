import type { Place } from '../neck';
import type { Playing } from '../route';

/** A note of a line as it is written down; several may begin at once. Ticks from the first beat of the chart. */
export type TextNote = Place & { readonly tick: number; readonly durationTicks: number };

/** A note read from tab, with what its signs say. */
export type PlayedText = TextNote & Playing & { readonly finger: number | null };

/** What is wrong in a text, where (line and column from 1), and what might have been meant. */
export type TextProblem = {
	readonly line: number;
	readonly column: number;
	readonly length: number;
	readonly message: string;
};

/** A line read from text: its notes, the bars that it covers (played bars, from 1), and what is wrong. */
export type LineText<Note extends TextNote = TextNote> = {
	readonly notes: readonly Note[];
	readonly fromBar: number;
	readonly toBar: number;
	readonly problems: readonly TextProblem[];
};
