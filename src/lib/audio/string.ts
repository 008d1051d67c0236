import { draws } from '$core/kernel';

/** A4 = 440 Hz, equal temperament. */
export const frequencyOf = (midi: number): number => 440 * 2 ** ((midi - 69) / 12);

/** A repeatable source of noise, −1 … 1. */
export function noise(seed: number): () => number {
	const draw = draws(seed);
	return () => 2 * draw() - 1;
}

/** How a string is plucked and how it dies away. */
export type Pluck = {
	readonly seconds: number;
	/** Seconds over which it fades at the end. */
	readonly fade: number;
	/** What is left of the loudness after a second: 0.05 dies quickly, 0.5 sings. */
	readonly left: number;
	/** 0.1 bright … 0.5 dull: what one turn takes from the highs. */
	readonly soft: number;
	/** Where the pick meets the string, as a share of its length; 0 leaves the comb out. */
	readonly pickAt: number;
};

/**
 * A plucked string: noise round a delay line that is as long as the period and loses its highs on every
 * turn. An all-pass filter delays by the fraction of a sample that keeps it in tune.
 * @param midi pitch; @param rate samples a second
 * @returns samples, at most 0.9 in size, silent at the end; the onset is the first sample
 */
export function pluckString(midi: number, rate: number, how: Pluck): Float32Array<ArrayBuffer> {
	const { soft, pickAt } = how;
	const frequency = frequencyOf(midi);
	const period = rate / frequency;
	const whole = Math.floor(period - soft - 0.1);
	const rest = period - soft - whole;
	const allPass = (1 - rest) / (1 + rest);
	const line = new Float32Array(whole);
	const random = noise(Math.round(midi * 7919));
	let muted = 0;
	for (let i = 0; i < whole; i++) {
		muted = 0.55 * random() + 0.45 * muted;
		line[i] = muted;
	}
	if (pickAt > 0) {
		const comb = Math.max(1, Math.round(whole * pickAt));
		const plain = line.slice();
		for (let i = 0; i < whole; i++) line[i] = plain[i] - 0.8 * plain[(i - comb + whole) % whole];
	}
	const mean = line.reduce((sum, sample) => sum + sample, 0) / whole;
	for (let i = 0; i < whole; i++) line[i] -= mean;
	const loss = how.left ** (1 / frequency);
	const samples = new Float32Array(Math.round(how.seconds * rate));
	let [at, before, lastIn, lastOut, peak] = [0, 0, 0, 0, 0];
	for (let i = 0; i < samples.length; i++) {
		const out = line[at];
		const averaged = loss * ((1 - soft) * out + soft * before);
		before = out;
		const tuned = allPass * averaged + lastIn - allPass * lastOut;
		[lastIn, lastOut] = [averaged, tuned];
		line[at] = tuned;
		at = at + 1 === whole ? 0 : at + 1;
		samples[i] = out;
		peak = Math.max(peak, Math.abs(out));
	}
	const fade = Math.round(how.fade * rate);
	for (let i = 0; i < samples.length; i++) {
		const left = samples.length - 1 - i;
		samples[i] *= (0.9 / peak) * Math.min(1, left / fade, (i + 1) / 32);
	}
	return samples;
}
