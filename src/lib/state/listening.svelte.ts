import { fetched } from '$lib/state/fetched';
import * as z from 'zod/mini';
import { bleeds, INPUTS, latencyOf, type InputKind, type Meter } from '$core/practice';
import { playClicks, type Clicks } from '$lib/audio/clicks';
import { hasMidi, openMidi } from '$lib/input/midi';
import type { InputTrouble, NoteListener, OpenInput } from '$lib/input/types';
import { INPUT_TROUBLE } from './input-words';
import { Kept } from './kept.svelte';

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

/** Clicks that are played along with, and that the microphone is tried with; seconds between two. */
const ALONG = 8;
const TRY = 4;
const GAP = 0.667;

/** Under this a signal is too quiet to tell notes from noise, in dB. */
const QUIET = -52;

/** What is being measured with clicks. */
export type Measuring = { readonly what: 'latency' | 'bleed'; readonly click: number };

/** Opens and closes what listens to the player, tries it out, and says how it stands. */
export class Listening {
	kind: InputKind = $state('simulated');
	trouble: InputTrouble | null = $state(null);
	devices: readonly string[] = $state.raw([]);
	meter: Meter | null = $state.raw(null);
	/** The pitch that was struck last, as a MIDI number. */
	struck: number | null = $state(null);
	measuring: Measuring | null = $state.raw(null);
	/** What the last measurement came to, in words. */
	told: string | null = $state(null);
	/** The microphone was tried and does not hear the speakers, or the player knows better. */
	trusted = $state(false);
	private opened: OpenInput | null = null;
	private clicks: Clicks | null = null;
	private strikes: number[] = [];

	/** @param silence stops the music before clicks are played */
	constructor(
		private readonly listener: NoteListener,
		private readonly silence: () => void
	) {}

	private readonly ear: NoteListener = {
		strike: (midi, at, cents) => {
			this.struck = midi;
			if (this.measuring) this.strikes.push(at);
			else this.listener.strike(midi, at, cents);
		},
		release: (midi, at, cents) => this.listener.release(midi, at, cents),
		meter: (meter) => (this.meter = meter),
		devices: (names) => (this.devices = names)
	};

	/** In words: what listens, or why nothing does and what to do. */
	readonly says: string = $derived.by(() => {
		const { kind, trouble, devices, meter } = this;
		if (kind === 'midi') {
			if (trouble) return INPUT_TROUBLE.midi[trouble];
			return devices.length > 0 ? `Listens to ${devices.join(', ')}.` : INPUT_TROUBLE.midi.absent;
		}
		if (kind === 'microphone') {
			if (trouble) return INPUT_TROUBLE.microphone[trouble];
			if (devices.length === 0) return 'Asks for the microphone …';
			if (meter && meter.level < QUIET) {
				return 'Very quiet: come closer, turn the input up, or play a note.';
			}
			return 'Hears one note at a time.';
		}
		return 'Click the neck, or play the letters: three rows, an octave of the scale each; Shift a semitone up.';
	});

	/** Takes up the input that was used last. A microphone is asked for only when it is chosen. */
	resume(): void {
		const { kind } = inputPrefs.current;
		this.kind = kind === 'midi' || kind === 'neck' ? kind : 'simulated';
		if (this.kind === 'midi') void this.choose('midi');
	}

	async choose(kind: InputKind): Promise<void> {
		this.close();
		this.kind = kind;
		this.trouble = null;
		this.told = null;
		this.trusted = false;
		inputPrefs.set('kind', kind);
		if (kind === 'midi') await this.openMidi();
		else if (kind === 'microphone') await this.openMicrophone();
	}

	private async openMidi(): Promise<void> {
		if (!hasMidi()) {
			this.trouble = isSecureContext ? 'missing' : 'insecure';
			return;
		}
		const opened = await openMidi({
			strike: this.ear.strike,
			release: this.ear.release,
			devices: (names) => (this.devices = names)
		});
		if ('error' in opened) this.trouble = opened.error;
		else this.hold('midi', opened.value);
	}

	private async openMicrophone(): Promise<void> {
		const { openMicrophone } = await fetched(() => import('$lib/input/microphone'));
		const opened = await openMicrophone(this.ear, () => {
			this.close();
			this.trouble = 'broken';
		});
		if ('error' in opened) this.trouble = opened.error;
		else this.hold('microphone', opened.value);
	}

	/** Another input may have been chosen while this one was opened. */
	private hold(kind: InputKind, opened: OpenInput): void {
		if (this.kind === kind) this.opened = opened;
		else opened.close();
	}

	/** True where a pass may begin; a microphone is tried for the band's own sound first. */
	async ready(): Promise<boolean> {
		if (this.measuring) return false;
		if (this.kind === 'midi' && this.trouble) return false;
		if (this.kind !== 'microphone') return true;
		if (!this.opened) return false;
		return this.trusted || this.tryBleed();
	}

	/** Plays four clicks and listens: headphones on, nothing of them may come back. */
	async tryBleed(): Promise<boolean> {
		const heard = await this.measure('bleed', TRY);
		if (!heard) return false;
		this.trusted = !bleeds(heard.clicks, heard.strikes);
		this.told = this.trusted
			? 'The clicks do not come back: the microphone hears only you.'
			: 'The microphone hears the clicks. Put headphones on, or turn the speakers down, and try again.';
		return this.trusted;
	}

	/** Eight clicks to play along with; how late the answers come is kept for this input. */
	async measureLatency(): Promise<void> {
		const { kind } = this;
		const heard = await this.measure('latency', ALONG);
		if (!heard) return;
		const latency = latencyOf(heard.clicks, heard.strikes);
		if (!latency) {
			this.told =
				'Too little was heard, or too unevenly. Play one note on every click, and try again.';
			return;
		}
		inputPrefs.setLatency(kind, latency.offsetMs);
		this.told = `${Math.round(latency.offsetMs)} ms are taken off from now on (${latency.heard} of ${ALONG} clicks, give or take ${Math.round(latency.spreadMs)} ms).`;
	}

	private async measure(what: Measuring['what'], count: number) {
		this.silence();
		this.told = null;
		this.strikes = [];
		this.measuring = { what, click: -1 };
		const clicks = playClicks(count, GAP, (click) => (this.measuring = { what, click }));
		this.clicks = clicks;
		try {
			const moments = await clicks.moments;
			return { clicks: moments, strikes: this.strikes };
		} catch {
			this.told = 'This browser gives no sound, so nothing could be measured.';
			return null;
		} finally {
			this.measuring = null;
			this.clicks = null;
		}
	}

	/** A note on the neck or on the letters of this page. */
	strike(midi: number, at: number): void {
		this.ear.strike(midi, at);
	}

	release(midi: number, at: number): void {
		this.ear.release(midi, at);
	}

	close(): void {
		this.clicks?.stop();
		[this.clicks, this.measuring] = [null, null];
		this.opened?.close();
		this.opened = null;
		this.devices = [];
		this.meter = null;
		this.struck = null;
	}
}
