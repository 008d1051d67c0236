import { PitchDetector } from 'pitchy';

/** What a microphone, or a recording of one, is heard to play: one note at a time. */
export type HeardNote = {
	/** Seconds from the first sample. */
	readonly at: number;
	readonly midi: number;
	/** How far the steady part lies above the MIDI pitch, −50 … 50. */
	readonly cents: number;
};
export type Heard =
	| ({ readonly kind: 'strike' } & HeardNote)
	| { readonly kind: 'release'; readonly at: number; readonly midi: number };

/** What the ear of the app hears at this moment, for a meter. Levels in dB under full scale. */
export type Meter = {
	readonly level: number;
	readonly floor: number;
	/** MIDI pitch with fraction; null where nothing clear sounds. */
	readonly pitch: number | null;
};

/** Samples of a look at the energy, of a look at the pitch, and from one of those to the next. */
const HOP = 128;
const WINDOW = 2048;
const STEP = 512;
const RING = 1 << 14;
const MASK = RING - 1;
/** Looks that are averaged to learn the noise. */
const LOOKS = 16;

/** An attack is so much louder than anything in the last 18 ms, which is more than a period of a low string. */
const ATTACK = 1.6;
const BEFORE_SECONDS = 0.018;
/** Two strikes come no closer. */
const DEAF_SECONDS = 0.045;
/** How far over the noise a note must stand, and under which level nothing is heard at all. */
const OVER_FLOOR = 3.2;
const LEAST = 6e-4;
/** How sure the pitch must be. */
const CLEAR = 0.86;
/** Looks that must agree on a pitch, within so many semitones. */
const AGREE = 2;
const NEAR = 0.35;
/** Lowest and highest pitch that a guitar is asked for: a fourth under E2, a third over E6. */
const [LOWEST, HIGHEST] = [34, 92];

const pitchOf = (hz: number): number => 69 + 12 * Math.log2(hz / 440);
const decibels = (size: number): number => 20 * Math.log10(Math.max(1e-6, size));

const median = (values: readonly number[]): number => {
	const sorted = [...values].sort((a, b) => a - b);
	return sorted[sorted.length >> 1];
};

/** One measure of loudness from look to look: its noise, and whether it leaps. */
class Energy {
	floor = LEAST;
	private readonly recent: number[] = [];
	private readonly groups: number[] = [];
	private sum = 0;
	private count = 0;

	constructor(private readonly rate: number) {}

	/** Takes one look in. @returns true when it is an attack: far louder than all of the last moments */
	takes(energy: number): boolean {
		const { recent } = this;
		let before = 0;
		for (const one of recent) if (one > before) before = one;
		recent.push(energy);
		if (recent.length > (BEFORE_SECONDS * this.rate) / HOP) recent.shift();
		this.learn(energy);
		return energy > ATTACK * before && energy > Math.max(LEAST, this.floor * OVER_FLOOR);
	}

	/** The noise is what is left in the quietest moments of the last second and a half. */
	private learn(energy: number): void {
		this.sum += energy;
		if (++this.count < LOOKS) return;
		this.groups.push(this.sum / LOOKS);
		if (this.groups.length > (1.5 * this.rate) / HOP / LOOKS) this.groups.shift();
		this.floor = Math.min(...this.groups);
		[this.sum, this.count] = [0, 0];
	}
}

/**
 * Finds notes in a stream of samples: an attack in the energy of the highs gives the moment, the McLeod
 * pitch method on the window after it the pitch. A change of pitch without an attack (a hammer-on, a
 * slide, a bend) is a note, too. Feed it in chunks of any size; what it hears comes back at once.
 */
export class NoteTracker {
	private readonly ring = new Float32Array(RING);
	private readonly window = new Float32Array(WINDOW);
	private readonly detector = PitchDetector.forFloat32Array(WINDOW);
	/** Samples taken in, and samples looked at. */
	private written = 0;
	private looked = 0;
	private lookedPitch = 0;
	private before = 0;
	/** The highs tell a pick, the whole a thumb on a thick string. */
	private readonly highs: Energy;
	private readonly whole: Energy;
	private loud = 0;
	private struck = -Infinity;
	/** An attack whose pitch is not known yet. */
	private attack: number | null = null;
	private looks: number[] = [];
	private note: HeardNote | null = null;
	private peak = 0;
	/** The least loudness since the last note ended. */
	private rest = 0;
	private fading = 0;
	private drift: { at: number; pitch: number }[] = [];
	private pitch: number | null = null;

	constructor(private readonly rate: number) {
		this.highs = new Energy(rate);
		this.whole = new Energy(rate);
		this.detector.clarityThreshold = 0.9;
	}

	get meter(): Meter {
		return { level: decibels(this.loud), floor: decibels(this.whole.floor), pitch: this.pitch };
	}

	/** Takes samples in, −1 … 1. @returns what was heard in them, in order */
	feed(samples: Float32Array): Heard[] {
		const heard: Heard[] = [];
		for (let from = 0; from < samples.length; from += STEP) {
			const part = samples.subarray(from, from + STEP);
			for (const sample of part) this.ring[this.written++ & MASK] = sample;
			while (this.looked + HOP <= this.written) this.look(heard);
			while (this.lookedPitch + STEP <= this.written) this.hearPitch(heard);
		}
		return heard;
	}

	/** The recording is over: what still sounds ends. */
	end(): Heard[] {
		const heard: Heard[] = [];
		this.settle(heard);
		this.release(this.written, heard);
		return heard;
	}

	private sample(index: number): number {
		return index < 0 ? 0 : this.ring[index & MASK];
	}

	/** One look at the energy. */
	private look(heard: Heard[]): void {
		const from = this.looked;
		this.looked += HOP;
		const { ring } = this;
		let [highs, all, before] = [0, 0, this.before];
		for (let i = from; i < from + HOP; i++) {
			const sample = ring[i & MASK];
			const high = sample - 0.95 * before;
			before = sample;
			highs += high * high;
			all += sample * sample;
		}
		this.before = before;
		const [bright, full] = [Math.sqrt(highs / HOP), Math.sqrt(all / HOP)];
		this.loud = Math.max(full, this.loud * 0.93);
		const rested = from - this.struck > DEAF_SECONDS * this.rate;
		const attacked = [this.highs.takes(bright), this.whole.takes(full)];
		if (rested && attacked.includes(true)) this.strike(from, heard);
	}

	/** An attack: the moment is where the samples first leave what was before. */
	private strike(from: number, heard: Heard[]): void {
		this.settle(heard);
		this.struck = from;
		const start = from - HOP;
		let most = 0;
		for (let i = from; i < from + HOP; i++) {
			most = Math.max(most, Math.abs(this.sample(i) - this.sample(i - 1)));
		}
		let at = from;
		for (let i = start; i < from + HOP; i++) {
			if (Math.abs(this.sample(i) - this.sample(i - 1)) > 0.35 * most) {
				at = i;
				break;
			}
		}
		this.attack = at;
		this.looks = [];
		this.drift = [];
		this.peak = 0;
	}

	/** One look at the pitch of the last samples. */
	private hearPitch(heard: Heard[]): void {
		this.lookedPitch += STEP;
		const end = this.lookedPitch;
		if (end < WINDOW) return;
		const [pitch, loud] = this.pitchOf(end);
		this.pitch = pitch;
		this.peak = Math.max(this.peak * 0.999, loud);
		if (this.attack !== null) {
			// The window must lie behind the attack; in a hurry most of it is enough.
			if (end - WINDOW >= this.attack - WINDOW / 8 && pitch !== null) this.looks.push(pitch);
			if (this.agreed() !== null) this.settle(heard);
			else if (end - this.attack > 0.22 * this.rate) this.settle(heard);
		} else this.follow(end, pitch, loud, heard);
		const still = loud < Math.max(LEAST * 0.7, 0.02 * this.peak) || pitch === null;
		this.fading = still ? this.fading + 1 : 0;
		if (this.fading >= 5) this.release(end - 4 * STEP, heard);
	}

	private pitchOf(end: number): [number | null, number] {
		const { window, ring } = this;
		let mean = 0;
		for (let i = 0, at = end - WINDOW; i < WINDOW; i++, at++) {
			window[i] = ring[at & MASK];
			mean += window[i];
		}
		mean /= WINDOW;
		let energy = 0;
		for (let i = 0; i < WINDOW; i++) {
			window[i] -= mean;
			energy += window[i] * window[i];
		}
		const loud = Math.sqrt(energy / WINDOW);
		if (loud < LEAST * 0.5) return [null, loud];
		const [hz, clarity] = this.detector.findPitch(window, this.rate);
		if (clarity < CLEAR || hz <= 0) return [null, loud];
		const pitch = pitchOf(hz);
		return [pitch > LOWEST && pitch < HIGHEST ? pitch : null, loud];
	}

	/** The pitch that enough looks agree on. */
	private agreed(): number | null {
		const { looks } = this;
		const last = looks.slice(-AGREE);
		if (last.length < AGREE) return null;
		const middle = median(last);
		return last.every((pitch) => Math.abs(pitch - middle) < NEAR) ? middle : null;
	}

	/** The attack gets its pitch, or was none. */
	private settle(heard: Heard[]): void {
		const { attack, looks } = this;
		this.attack = null;
		if (attack === null || looks.length === 0) return;
		const pitch = this.agreed() ?? median(looks);
		this.looks = [];
		this.begin(attack, pitch, heard);
	}

	private begin(at: number, pitch: number, heard: Heard[]): void {
		this.release(at, heard);
		const midi = Math.round(pitch);
		this.note = { at: at / this.rate, midi, cents: Math.round(100 * (pitch - midi)) };
		this.fading = 0;
		this.drift = [];
		heard.push({ kind: 'strike', ...this.note });
	}

	/** A pitch that stays although nothing was struck: another note than the one that rings, or a soft one. */
	private follow(end: number, pitch: number | null, loud: number, heard: Heard[]): void {
		this.rest = this.note ? loud : Math.min(this.rest, loud);
		const same = pitch !== null && this.note && Math.abs(pitch - this.note.midi) < 0.7;
		if (pitch === null || same || (!this.note && loud < 2.5 * this.rest)) {
			this.drift = [];
			return;
		}
		const last = this.drift.at(-1);
		if (last && Math.abs(last.pitch - pitch) > NEAR) this.drift = [];
		this.drift.push({ at: end - Math.round(0.55 * WINDOW), pitch });
		// Overtones that outlive their note are no notes of their own.
		const octave = this.note && Math.abs(Math.abs(pitch - this.note.midi) - 12) < 0.5;
		if (this.drift.length < (octave ? 8 : 4)) return;
		const [first] = this.drift;
		this.begin(first.at, pitch, heard);
	}

	private release(at: number, heard: Heard[]): void {
		if (!this.note) return;
		heard.push({ kind: 'release', at: at / this.rate, midi: this.note.midi });
		this.note = null;
	}
}
