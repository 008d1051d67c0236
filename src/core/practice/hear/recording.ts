import type { PlayedEvent } from '../types';
import { NoteTracker } from './tracker';
import type { Heard } from './heard';

/** Seconds of a recording that are taken in between two words about progress. */
const PIECE_SECONDS = 2;

/** Gathers strikes and releases into events with their lengths; times in ms from the first sample. */
class Gathered {
	private readonly found: PlayedEvent[] = [];

	add(heard: readonly Heard[]): void {
		for (const one of heard) {
			const last = this.found.at(-1);
			if (one.kind === 'strike') {
				const { at, midi, cents } = one;
				this.found.push({ timeMs: 1000 * at, durationMs: 0, midi, cents });
			} else if (last && last.durationMs === 0) {
				const durationMs = Math.max(1, 1000 * one.at - last.timeMs);
				this.found[this.found.length - 1] = { ...last, durationMs, cents: one.cents };
			}
		}
	}

	get events(): readonly PlayedEvent[] {
		return this.found;
	}
}

/**
 * Listens to a whole recording piece by piece; each step says the share that is done, the last one brings
 * the notes.
 * @param samples one channel, −1 … 1; @param rate samples a second
 */
export function* hearRecording(
	samples: Float32Array,
	rate: number
): Generator<{ readonly share: number; readonly events: readonly PlayedEvent[] | null }> {
	const tracker = new NoteTracker(rate);
	const gathered = new Gathered();
	const piece = Math.max(1, Math.round(PIECE_SECONDS * rate));
	for (let from = 0; from < samples.length; from += piece) {
		gathered.add(tracker.feed(samples.subarray(from, from + piece)));
		yield { share: Math.min(1, (from + piece) / samples.length), events: null };
	}
	gathered.add(tracker.end());
	yield { share: 1, events: gathered.events };
}
