import { notesBetween, type Score, type TimedNote } from './perform';
import { beginRun, runEnd, secondsAt } from './run';
import type { Part } from './types';

/** Times through a chart that are rendered at most. */
export const MOST_CHORUSES = 20;

/** A tune played from the beginning to the end. */
type WholeWish = {
	readonly score: Score;
	/** Quarter notes a minute. */
	readonly tempo: number;
	/** Times through the chart, 1 … 20. */
	readonly choruses: number;
	readonly countInBars: number;
	readonly parts: readonly Part[];
};

/** Every note of a tune played through, in seconds from the start, and when the last bar ends. */
export function playWhole(wish: WholeWish): {
	readonly notes: readonly TimedNote[];
	readonly seconds: number;
} {
	const { score, tempo, choruses, countInBars, parts } = wish;
	const { chart } = score.band;
	const run = beginRun(chart, { seconds: 0, tempo, loop: null, countInBars, rounds: choruses });
	const end = runEnd(run);
	const { notes } = notesBetween(score, run, 0, end);
	const heard = notes.filter((note) => parts.includes(note.part) || note.counted);
	return { notes: heard, seconds: secondsAt(run, end) };
}
