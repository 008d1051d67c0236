import type { Result } from '../kernel';
import { LIMITS, type Chart } from '../chart';
import type { Instrument } from '../neck';
import type { Technique } from '../route';
import type { TextNote } from './types';

/** A note of a line as files carry it: where it is played, how it is spelled, and how it is reached. */
export type FileNote = TextNote & {
	readonly midi: number;
	readonly name: string;
	readonly finger: number | null;
	readonly technique: Technique | null;
};

/** A tune with, perhaps, one line over it, to be written as a file. */
export type Piece = {
	readonly chart: Chart;
	/** The chart as it was written. */
	readonly text: string;
	readonly instrument: Instrument;
	/** Empty where there is no line. Ticks from the first beat, in order, one note at a time. */
	readonly notes: readonly FileNote[];
	/** What the line is called. */
	readonly lineName: string;
};

/** A note read from a file; `place` is null where the file does not say where it is played. */
export type ReadNote = {
	readonly tick: number;
	readonly durationTicks: number;
	readonly midi: number;
	readonly place: { readonly string: number; readonly fret: number } | null;
	readonly finger: number | null;
	readonly technique: Technique | null;
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

/** Techniques that join a note to the one before on its string. */
const JOINED: readonly (Technique | null)[] = ['hammer-on', 'pull-off', 'slide', 'bend'];

/** True when a note comes out of the one before it without a new stroke. */
export const comesOutOf = (before: FileNote | undefined, note: FileNote): boolean =>
	before !== undefined &&
	JOINED.includes(note.technique) &&
	before.string === note.string &&
	before.tick + before.durationTicks === note.tick;

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
