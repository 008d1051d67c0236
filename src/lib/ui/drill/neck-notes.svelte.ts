import { pitchAt, type Place } from '$core/neck';
import { keyRows } from '$core/phrase';
import { keyPitch } from '$lib/input/computer-keys';
import { isTyping } from '$lib/state/focus';
import type { Listening } from '$lib/state/listening.svelte';
import type { OpenTune } from '$lib/state/open-tune.svelte';

/** Ms that a touched place rings. */
const RINGS_MS = 400;

/** Notes that the player strikes with letters and on the drawn neck. */
export class NeckNotes {
	constructor(
		private readonly open: OpenTune,
		private readonly listening: Listening,
		private readonly playing: () => boolean
	) {}

	private readonly rows = $derived.by(() => {
		const { chart, scale, instrument, position } = this.open;
		const first = chart.changes[0]?.to.chord;
		return first ? keyRows(first, scale, instrument, position) : [];
	});

	/** A key goes down: letters are notes while the player plays on them. True when it was one. */
	readonly down = (event: KeyboardEvent): boolean => {
		const { listening } = this;
		const playing = this.playing();
		if (event.altKey || event.ctrlKey || event.metaKey || isTyping(event.target)) return false;
		// Tempo and bars stay as they are while a pass is judged.
		const still = playing && ['q', 'y', '-', '=', '+'].includes(event.key);
		const notes = playing || listening.measuring !== null;
		if (!notes || listening.kind !== 'neck') return still;
		const midi = keyPitch(event.code, event.shiftKey, this.rows);
		if (midi === null) return still;
		if (!event.repeat) listening.strike(midi, event.timeStamp);
		return true;
	};

	readonly up = (event: KeyboardEvent): void => {
		const midi = keyPitch(event.code, event.shiftKey, this.rows);
		if (midi !== null) this.listening.release(midi, event.timeStamp);
	};

	readonly touch = (place: Place): void => {
		const midi = pitchAt(this.open.instrument, place);
		this.listening.strike(midi, performance.now());
		setTimeout(() => this.listening.release(midi, performance.now()), RINGS_MS);
	};
}
