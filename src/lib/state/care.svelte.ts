import { browser } from '$app/environment';
import { keptInTab } from './browser-store.svelte';

/** Minutes of playing after which a rest is due, and those by which it may be put off. */
const REST_AFTER = 25;
export const LATER = 5;
const MINUTE = 60_000;
/** Away from the instrument for so long, hands have rested. */
const RESTED = 5 * MINUTE;

const SEEN = 'arc-step-care-seen';
const PLAYED = 'arc-step-played';

type Played = { readonly ms: number; readonly due: number; readonly last: number };

/** Looks after the player's hands: how long was played without a rest, and whether the words of care were seen. */
export class Care {
	/** Show the words of care: once in every session of this browser. */
	reading = $state(false);
	/** A rest is due. */
	due = $state(false);
	private ms = 0;
	private dueAt = REST_AFTER * MINUTE;
	private last: number | null = null;
	private running: number | null = null;

	constructor(private readonly now: () => number = () => Date.now()) {}

	/** Call once in the browser. */
	load(): void {
		if (!browser) return;
		this.reading = keptInTab.get(SEEN) === null;
		try {
			const kept = JSON.parse(keptInTab.get(PLAYED) ?? 'null') as Played | null;
			if (kept) [this.ms, this.dueAt, this.last] = [kept.ms, kept.due, kept.last];
		} catch {
			// What cannot be read counts as rested.
		}
	}

	read(): void {
		this.reading = false;
		if (browser) keptInTab.set(SEEN, '1');
	}

	/** The player begins to play. */
	begin(): void {
		const now = this.now();
		if (this.last !== null && now - this.last >= RESTED) this.rested();
		this.running = now;
	}

	/** The player stops: the reminder comes between two passes, never in one. */
	end(): void {
		if (this.running === null) return;
		const now = this.now();
		this.ms += now - this.running;
		this.running = null;
		this.last = now;
		this.due = this.ms >= this.dueAt;
		this.keep();
	}

	/** Not now: it comes again a few minutes of playing later. */
	later(): void {
		this.dueAt = this.ms + LATER * MINUTE;
		this.due = false;
		this.keep();
	}

	/** Hands have rested: the time begins anew. */
	rested(): void {
		[this.ms, this.dueAt, this.due] = [0, REST_AFTER * MINUTE, false];
		this.keep();
	}

	get minutes(): number {
		return Math.round(this.ms / MINUTE);
	}

	private keep(): void {
		if (!browser) return;
		const kept: Played = { ms: this.ms, due: this.dueAt, last: this.last ?? this.now() };
		keptInTab.set(PLAYED, JSON.stringify(kept));
	}
}

export const care = new Care();
