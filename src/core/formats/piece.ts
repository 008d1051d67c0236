import type { Result } from '../kernel';
import { LIMITS, type Chart } from '../chart';
import type { Instrument } from '../neck';
import { isReached, type Playing } from '../route';
import type { TextNote } from './types';

/** A note of a line as files carry it: where it is played, how it is spelled, and how it is reached. */
export type FileNote = TextNote &
	Playing & {
		readonly midi: number;
		readonly name: string;
		readonly finger: number | null;
	};

/** A tune with, perhaps, one line over it, to be written as a file. */
export type Piece = {
	readonly chart: Chart;
	/** The chart as it was written. */
	readonly text: string;
	readonly instrument: Instrument;
	/** Empty where there is no line. Ticks from the first beat, in order; several may begin at once. */
	readonly notes: readonly FileNote[];
	/** What the line is called. */
	readonly lineName: string;
};

/** A note read from a file; `place` is null where the file does not say where it is played. */
export type ReadNote = Playing & {
	readonly tick: number;
	readonly durationTicks: number;
	readonly midi: number;
	readonly place: { readonly string: number; readonly fret: number } | null;
	readonly finger: number | null;
};

/** A tune read from a file, as chart text, with its line where there is one. */
export type ReadPiece = {
	/** Null where the file names no chords: its line needs a tune to stand on. */
	readonly chart: string | null;
	readonly notes: readonly ReadNote[];
	readonly lineName: string | null;
};

/** What a file holds and what of it was left out, in sentences; or why nothing can be read. */
export type FileReading = Result<
	{ readonly pieces: readonly ReadPiece[]; readonly leftOut: readonly string[] },
	string
>;

/** True when a note comes out of the one before it on its string without a new stroke. */
export const comesOutOf = (before: FileNote | undefined, note: FileNote): boolean =>
	before !== undefined &&
	isReached(note) &&
	before.string === note.string &&
	before.tick + before.durationTicks === note.tick;

/** The notes before and after each one on its own string; −1 for none. Notes in order of time. */
export function neighbours(notes: readonly TextNote[]): { before: number; after: number }[] {
	const last = new Map<number, number>();
	const found = notes.map(() => ({ before: -1, after: -1 }));
	notes.forEach(({ string }, i) => {
		const before = last.get(string);
		if (before !== undefined) {
			found[i]!.before = before;
			found[before]!.after = i;
		}
		last.set(string, i);
	});
	return found;
}

/** As many bars as a chart may have; what is over is told. */
export function fewEnough<T>(bars: readonly T[], left: LeftOut): readonly T[] {
	if (bars.length <= LIMITS.written) return bars;
	left.say(`A chart has at most ${LIMITS.written} bars; the rest is left out.`);
	return bars.slice(0, LIMITS.written);
}

/** Each thing that was left out once, with how often it was. */
export class LeftOut {
	private readonly counts = new Map<string, number>();

	/** @param what for one of them, as “grace note” */
	count(what: string): void {
		this.counts.set(what, (this.counts.get(what) ?? 0) + 1);
	}

	private readonly said = new Set<string>();

	/** A whole sentence. */
	say(sentence: string): void {
		this.said.add(sentence);
	}

	get sentences(): string[] {
		const counted = [...this.counts].map(([what, n]) =>
			n === 1 ? `One ${what} is left out.` : `${n} ${what}s are left out.`
		);
		return [...this.said, ...counted];
	}
}
