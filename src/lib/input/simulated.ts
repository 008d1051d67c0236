import type { PlayedEvent } from '$core/practice';
import type { NoteListener, OpenInput } from './types';

/**
 * Plays events to a listener as if a guitar were plugged in: each at its moment, whatever the page is
 * doing meanwhile.
 * @param begins the moment of the first beat by `performance.now()`
 */
export function playEvents(
	events: readonly PlayedEvent[],
	begins: number,
	listener: NoteListener
): OpenInput {
	const timers = new Set<ReturnType<typeof setTimeout>>();
	const at = (moment: number, act: () => void) => {
		const timer = setTimeout(
			() => {
				timers.delete(timer);
				act();
			},
			Math.max(0, moment - performance.now())
		);
		timers.add(timer);
	};
	for (const { timeMs, durationMs, midi, cents } of events) {
		const struck = begins + timeMs;
		at(struck, () => listener.strike(midi, struck, cents));
		at(struck + durationMs, () => listener.release(midi, struck + durationMs));
	}
	return {
		close: () => {
			for (const timer of timers) clearTimeout(timer);
			timers.clear();
		}
	};
}
