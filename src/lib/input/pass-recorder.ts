import type { PlayedEvent } from '$core/practice';

type Open = { readonly timeMs: number; readonly midi: number; readonly cents?: number };

/** Gathers what is struck and released into events. Times in ms from the first beat. */
export class PassRecorder {
	private readonly done: PlayedEvent[] = [];
	private open: Open[] = [];

	strike(midi: number, timeMs: number, cents?: number): void {
		this.release(midi, timeMs);
		this.open.push({ timeMs, midi, ...(cents === undefined ? {} : { cents }) });
	}

	/** @param cents of the whole note, where they are known better now */
	release(midi: number, timeMs: number, cents?: number): void {
		const note = this.open.find((one) => one.midi === midi);
		if (!note) return;
		this.open = this.open.filter((one) => one !== note);
		const durationMs = Math.max(1, timeMs - note.timeMs);
		this.done.push({ ...note, durationMs, ...(cents === undefined ? {} : { cents }) });
	}

	/** What was played so far; what still sounds rings until `now`. */
	events(now: number): PlayedEvent[] {
		const ringing = this.open.map((note) => ({
			...note,
			durationMs: Math.max(1, now - note.timeMs)
		}));
		return [...this.done, ...ringing].sort((a, b) => a.timeMs - b.timeMs);
	}
}
