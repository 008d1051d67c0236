import { dueChanges } from './due';
import { judge } from './judge';
import type { JudgeRequest } from './types';

/** How far before its first note a recording may begin, in ms: two slow bars. */
const MOST_LEAD = 16_000;

/**
 * Finds where in a recording the first beat lies. Every pairing of one of the first notes with one of the
 * first changes is tried; the one under which most changes land wins, then the one with the least error.
 * @returns ms from the start of the recording to the first beat; take it off the events
 */
export function alignTake(request: JudgeRequest): number {
	const { events } = request;
	const due = dueChanges(request).slice(0, 6);
	const first = [...events].sort((a, b) => a.timeMs - b.timeMs).slice(0, 24);
	let best = { offset: 0, score: -Infinity };
	const tried = new Set<number>();
	for (const { dueMs } of due) {
		for (const { timeMs } of first) {
			const offset = Math.round(timeMs - dueMs);
			if (offset < -request.toleranceMs || offset > MOST_LEAD || tried.has(offset)) continue;
			tried.add(offset);
			const moved = events.map((event) => ({ ...event, timeMs: event.timeMs - offset }));
			const { landedShare, changes } = judge({ ...request, rules: {}, events: moved });
			const errors = changes.flatMap(({ result, errorMs }) =>
				result === 'landed' && errorMs !== null ? [Math.abs(errorMs)] : []
			);
			const error = errors.reduce((sum, one) => sum + one, 0) / Math.max(1, errors.length);
			const score = landedShare - error / 10_000;
			if (score > best.score + 1e-9) best = { offset, score };
		}
	}
	return best.offset;
}
