import { ARRIVED, arrivedAt, NEAR } from './arrival';
import { median } from '../../kernel';
import { PitchDetector } from 'pitchy';
import { Energy, HOP, LEAST } from './energy';
import {
	type HeardNote,
	type Heard,
	type Meter,
	LOWEST,
	HIGHEST,
	pitchOf,
	decibels
} from './heard';

/** Samples of a look at the pitch, and from one of those to the next. */
const WINDOW = 2048;
const STEP = 512;
const RING = 1 << 14;
const MASK = RING - 1;

/** Two strikes come no closer. */
const DEAF_SECONDS = 0.045;
/** How sure the pitch must be. */
const CLEAR = 0.86;
/** Looks that must agree on a pitch. */
const AGREE = 2;
/** Nearer than so many semitones it is still the same note. */
const SAME = 0.6;
/**
 * A string is bent so far, in semitones, and so many looks lie in the middle of the way; a finger hammers at
 * once, which a window of four looks cannot stretch to as many.
 */
const BEND = { least: 0.5, most: 3.6, looks: 4, middle: 0.2 } as const;
/** Where in a window a pitch is told to have begun, as a share from its end. */
const MIDDLE = 0.55;
/** Looks that are kept of a note, for its pitch and for how it left it. */
const KEPT = 160;

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
	private drift: number[] = [];
	/** The pitch left its note without a leap. */
	private glides = false;
	/** Pitches of the note that sounds, look by look, also on its way to another; null where none was clear. */
	private trail: (number | null)[] = [];
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
		return index < 0 ? 0 : this.ring[index & MASK]!;
	}

	/** One look at the energy. */
	private look(heard: Heard[]): void {
		const from = this.looked;
		this.looked += HOP;
		const { ring } = this;
		let [highs, all, before] = [0, 0, this.before];
		for (let i = from; i < from + HOP; i++) {
			const sample = ring[i & MASK]!;
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
			window[i] = ring[at & MASK]!;
			mean += window[i]!;
		}
		mean /= WINDOW;
		let energy = 0;
		for (let i = 0; i < WINDOW; i++) {
			window[i]! -= mean;
			energy += window[i]! * window[i]!;
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
		const middle = median(last, 0);
		return last.every((pitch) => Math.abs(pitch - middle) < NEAR) ? middle : null;
	}

	/** The attack gets its pitch, or was none. */
	private settle(heard: Heard[]): void {
		const { attack, looks } = this;
		this.attack = null;
		if (attack === null || looks.length === 0) return;
		const pitch = this.agreed() ?? median(looks, 0);
		this.looks = [];
		this.begin(attack, pitch, Math.round(pitch), heard);
	}

	/** @param midi the fret that the string is held at */
	private begin(at: number, pitch: number, midi: number, heard: Heard[]): void {
		this.release(at, heard);
		this.note = { at: at / this.rate, midi, cents: Math.round(100 * (pitch - midi)) };
		this.fading = 0;
		this.drift = [];
		this.trail = [];
		heard.push({ kind: 'strike', ...this.note });
	}

	/** The pitch of the note that sounds, with fraction. */
	private get sounding(): number | null {
		return this.note && this.note.midi + this.note.cents / 100;
	}

	/**
	 * The fret of a pitch that was reached without an attack: the string goes on at the fret of the note that
	 * rang where the pitch glided there, up or back down; else the nearest one.
	 */
	private fretOf(pitch: number): number {
		const { note, trail, sounding } = this;
		const nearest = Math.round(pitch);
		if (note === null || sounding === null) return nearest;
		const way = pitch - sounding;
		const between = trail.filter((one) => {
			const share = one === null ? 0 : (one - sounding) / way;
			return share > BEND.middle && share < 1 - BEND.middle;
		});
		const bent = pitch - note.midi;
		const glided = Math.abs(way) >= BEND.least && between.length >= BEND.looks;
		return glided && bent > -0.5 && bent < BEND.most ? note.midi : nearest;
	}

	/** A pitch that stays although nothing was struck: another note than the one that rings, or a soft one. */
	private follow(end: number, pitch: number | null, loud: number, heard: Heard[]): void {
		this.rest = this.note ? loud : Math.min(this.rest, loud);
		if (this.note) this.trail.push(pitch);
		if (this.trail.length > KEPT) this.trail.shift();
		const { sounding } = this;
		const same = pitch !== null && sounding !== null && Math.abs(pitch - sounding) < SAME;
		if (pitch === null || same || (!this.note && loud < 2.5 * this.rest)) {
			this.drift = [];
			return;
		}
		const last = this.drift.at(-1);
		if (last !== undefined && Math.abs(last - pitch) > NEAR) this.drift = [];
		if (this.drift.length === 0) {
			const before = this.trail.at(-2) ?? null;
			this.glides = before !== null && Math.abs(before - pitch) < NEAR;
		}
		this.drift.push(pitch);
		// Overtones that outlive their note are no notes of their own.
		const octave = sounding !== null && Math.abs(Math.abs(pitch - sounding) - 12) < 0.5;
		if (this.drift.length < (octave ? 8 : ARRIVED.leap)) return;
		const arrived = arrivedAt(this.drift, this.glides);
		if (arrived === null) return;
		this.begin(this.since(arrived, end), arrived, this.fretOf(arrived), heard);
	}

	/** The sample since which a pitch has been there, seen from the last look at `end`. */
	private since(pitch: number, end: number): number {
		const past = this.glides ? this.trail : this.drift;
		const away = past.findLastIndex(
			(one) => one === null || Math.abs(one - pitch) >= 2 * ARRIVED.within
		);
		const looks = past.length - 1 - away;
		return end - Math.max(0, looks - 1) * STEP - Math.round(MIDDLE * WINDOW);
	}

	private release(at: number, heard: Heard[]): void {
		if (!this.note) return;
		const { midi } = this.note;
		const near = this.trail.filter(
			(one): one is number => one !== null && Math.abs(one - (this.sounding ?? 0)) < SAME
		);
		const cents = near.length < 4 ? this.note.cents : Math.round(100 * (median(near, 0) - midi));
		heard.push({ kind: 'release', at: at / this.rate, midi, cents });
		this.note = null;
	}
}
