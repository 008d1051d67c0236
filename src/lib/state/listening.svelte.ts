import * as z from 'zod/mini';
import { INPUTS, type InputKind } from '$lib/api/practice-schema';
import { hasMidi, openMidi } from '$lib/input/midi';
import type { InputTrouble, NoteListener, OpenInput } from '$lib/input/types';
import { Kept } from './kept.svelte';

export const INPUT_NAMES: Record<InputKind, string> = {
	midi: 'MIDI instrument',
	microphone: 'Microphone',
	neck: 'Neck and letters here',
	simulated: 'Simulated player',
	file: 'A file',
	hand: 'By hand'
};

const schema = z.object({
	kind: z.catch(z.enum(INPUTS), 'simulated'),
	/** Measured latency of each input in ms, taken off every note. */
	latency: z.catch(z.record(z.string(), z.number()), {})
});

/** The player's inputs and their latencies, kept in this browser: another device has others. */
class InputPreferences extends Kept<z.infer<typeof schema>> {
	constructor() {
		super('arc-step-input', (stored) => schema.parse(stored));
	}

	latencyOf(kind: InputKind): number {
		return this.current.latency[kind] ?? 0;
	}

	setLatency(kind: InputKind, ms: number): void {
		this.set('latency', { ...this.current.latency, [kind]: Math.round(ms) });
	}
}
export const inputPrefs = new InputPreferences();

const TROUBLE: Record<'midi' | 'microphone', Record<InputTrouble, string>> = {
	midi: {
		missing: 'This browser knows no MIDI. Use the neck and letters, or the microphone.',
		insecure: 'MIDI needs https or this very machine. Use the neck and letters instead.',
		refused: 'MIDI was not allowed. Allow it in the browser’s settings for this page.',
		absent: 'No MIDI instrument is plugged in. Plug one in; it is found by itself.',
		broken: 'The MIDI instrument is gone. Plug it in again.'
	},
	microphone: {
		missing: 'This browser hears no microphone. Use MIDI, or the neck and letters.',
		insecure:
			'A microphone needs https or this very machine. Over plain http use the neck and letters, or log passes by hand.',
		refused: 'The microphone was not allowed. Allow it in the browser’s settings for this page.',
		absent: 'No microphone is plugged in. Plug one in and choose it again.',
		broken: 'The microphone broke off. Plug it in and choose it again.'
	}
};

/** Opens and closes what listens to the player, and says how it stands. */
export class Listening {
	kind: InputKind = $state('simulated');
	trouble: InputTrouble | null = $state(null);
	devices: readonly string[] = $state.raw([]);
	private opened: OpenInput | null = null;

	constructor(private readonly listener: NoteListener) {}

	/** In words: what listens, or why nothing does and what to do. */
	readonly says: string = $derived.by(() => {
		const { kind, trouble, devices } = this;
		if (kind === 'midi') {
			if (trouble) return TROUBLE.midi[trouble];
			return devices.length > 0 ? `Listens to ${devices.join(', ')}.` : TROUBLE.midi.absent;
		}
		if (kind === 'microphone') return trouble ? TROUBLE.microphone[trouble] : 'Listens.';
		return 'Click the neck, or play the letters: three rows, an octave of the scale each; Shift a semitone up.';
	});

	/** Takes up the input that was used last. MIDI and microphone ask for leave only when chosen. */
	resume(): void {
		const { kind } = inputPrefs.current;
		this.kind = kind === 'microphone' || kind === 'file' || kind === 'hand' ? 'simulated' : kind;
		if (this.kind === 'midi') void this.choose('midi');
	}

	async choose(kind: InputKind): Promise<void> {
		this.close();
		this.kind = kind;
		this.trouble = null;
		this.devices = [];
		inputPrefs.set('kind', kind);
		if (kind !== 'midi') return;
		if (!hasMidi()) {
			this.trouble = isSecureContext ? 'missing' : 'insecure';
			return;
		}
		const opened = await openMidi({
			strike: this.listener.strike,
			release: this.listener.release,
			devices: (names) => (this.devices = names)
		});
		if (typeof opened === 'string') this.trouble = opened;
		else if (this.kind === 'midi') this.opened = { close: opened };
		else opened();
	}

	close(): void {
		this.opened?.close();
		this.opened = null;
	}
}
