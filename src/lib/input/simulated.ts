import type { PlayedEvent } from '$core/practice';
import type { NoteListener, OpenInput } from './types';

/** Ms between two looks at the band's clock. */
const LOOK = 12;

type Cue = { readonly timeMs: number; readonly act: (at: number) => void };

/**
 * Plays events to a listener as if a guitar were plugged in: each at its moment of the band's clock.
 * @param since ms from the first beat to a moment of `performance.now()`; null while nothing plays
 */
export function playEvents(
	events: readonly PlayedEvent[],
	since: (at: number) => number | null,
	listener: NoteListener
): OpenInput {
	const cues = events
		.flatMap(({ timeMs, durationMs, midi, cents }): Cue[] => [
			{ timeMs, act: (at) => listener.strike(midi, at, cents) },
			{ timeMs: timeMs + durationMs, act: (at) => listener.release(midi, at) }
		])
		.sort((a, b) => a.timeMs - b.timeMs);
	let next = 0;
	const look = () => {
		const now = performance.now();
		const reached = since(now);
		if (reached === null) return;
		for (; next < cues.length && cues[next].timeMs <= reached; next++) {
			cues[next].act(now - (reached - cues[next].timeMs));
		}
		if (next >= cues.length) clearInterval(timer);
	};
	const timer = setInterval(look, LOOK);
	return { close: () => clearInterval(timer) };
}
