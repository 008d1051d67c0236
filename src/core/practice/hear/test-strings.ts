import { clamp, draws } from '../../kernel';

/** A made recording: what is played when, on what kind of string, with how much hum and noise. */
export type MadeNote = { readonly at: number; readonly seconds: number; readonly midi: number };
export type Room = {
	readonly rate: number;
	/** Peak of the mains hum and of the white noise, as shares of full scale. */
	readonly hum: number;
	readonly noise: number;
	/** Peak of a note. */
	readonly level: number;
	readonly seed: number;
};

/** A tone that fades and turns by two multiplications a sample. */
function addPartial(
	into: Float32Array,
	hz: number,
	rate: number,
	size: number,
	fade: number,
	phase: number
): void {
	const turn = (2 * Math.PI * hz) / rate;
	const loss = Math.exp(-fade / rate);
	const [again, before] = [2 * loss * Math.cos(turn), loss * loss];
	let [last, now] = [(size * Math.sin(phase - turn)) / loss, size * Math.sin(phase)];
	for (let i = 0; i < into.length; i++) {
		into[i] += now;
		[last, now] = [now, again * now - before * last];
	}
}

/**
 * Overtones that fade the sooner the higher they are. The attack takes one to eight ms, as with pick or
 * thumb; the pick scratches more or less; the string rings a little into the next note before it is damped.
 */
function string(note: MadeNote, { rate, level }: Room, random: () => number): Float32Array {
	const frequency = 440 * 2 ** ((note.midi - 69) / 12);
	const length = Math.round((note.seconds + 0.03) * rate);
	const samples = new Float32Array(length);
	const pick = 0.12 + 0.2 * random();
	const stiff = 0.00008 + 0.0001 * random();
	const rise = 0.001 + 0.007 * random();
	const scratch = 0.25 * random();
	let sum = 0;
	for (let n = 1; n <= 24; n++) {
		const hz = frequency * n * Math.sqrt(1 + stiff * n * n);
		if (hz > 0.42 * rate) break;
		const size = Math.abs(Math.sin(Math.PI * n * pick)) / n;
		sum += size;
		addPartial(samples, hz, rate, size, 1.1 + 0.55 * n + frequency / 500, 2 * Math.PI * random());
	}
	for (let i = 0; i < length; i++) {
		const t = i / rate;
		const rough = t < rise ? scratch * (2 * random() - 1) : 0;
		const damped = Math.min(1, (length - i) / (0.03 * rate));
		const tone = samples[i] / Math.max(0.4, sum) + rough;
		samples[i] = level * damped * Math.min(1, t / rise) * tone;
	}
	return samples;
}

/** A recording of notes in a room, in one channel. */
export function record(notes: readonly MadeNote[], room: Room, tail = 0.6): Float32Array {
	const random = draws(room.seed);
	const end = Math.max(0, ...notes.map(({ at, seconds }) => at + seconds)) + tail;
	const samples = new Float32Array(Math.round(end * room.rate));
	for (let i = 0; i < samples.length; i++) {
		const t = i / room.rate;
		const mains = [1, 0.5, 0.3].reduce(
			(sum, size, k) => sum + size * Math.sin(2 * Math.PI * 50 * (k + 1) * t),
			0
		);
		samples[i] = (room.hum * mains) / 1.5 + room.noise * (2 * random() - 1);
	}
	for (const note of notes) {
		const start = Math.round(note.at * room.rate);
		string(note, room, random).forEach((sample, i) => {
			if (start + i < samples.length) samples[start + i] += sample;
		});
	}
	return samples;
}

/** Every pitch from E2 to E6 in a jumbled order, at uneven times and lengths. */
export function everyPitch(seed: number): MadeNote[] {
	const random = draws(seed);
	const pitches = Array.from({ length: 49 }, (_, i) => 40 + ((i * 17 + seed * 5) % 49));
	let at = 0.9;
	return pitches.map((midi) => {
		const seconds = 0.16 + 0.4 * random();
		const note = { at, seconds, midi };
		at += seconds + (random() < 0.3 ? 0.15 * random() : 0);
		return note;
	});
}

/** A string whose pitch moves while it rings, with a little noise; struck 0.3 s into the recording. */
export function moving(pitchAt: (seconds: number) => number, seconds: number, rate: number) {
	const random = draws(7);
	const samples = new Float32Array(Math.round((seconds + 0.6) * rate));
	let phase = 0;
	for (let i = 0; i < samples.length; i++) {
		const t = i / rate - 0.3;
		phase += (2 * Math.PI * 440 * 2 ** ((pitchAt(Math.max(0, t)) - 69) / 12)) / rate;
		const tone = [1, 0.5, 0.3, 0.15].reduce(
			(sum, size, n) => sum + size * Math.exp(-0.6 * n * t) * Math.sin((n + 1) * phase),
			0
		);
		const damped = clamp((seconds - t) / 0.03, 0, 1);
		samples[i] = 0.0008 * (2 * random() - 1);
		if (t >= 0) samples[i] += 0.3 * damped * Math.exp(-1.1 * t) * Math.min(1, t / 0.002) * tone;
	}
	return samples;
}
