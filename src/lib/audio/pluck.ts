/** How long a plucked note sounds, in seconds. */
const SECONDS = 1.1;
/** Seconds over which it fades at the end. */
const FADE = 0.25;

/** A repeatable source of noise, −1 … 1. */
function noise(seed: number): () => number {
	let state = seed >>> 0 || 1;
	return () => {
		state ^= state << 13;
		state ^= state >>> 17;
		state ^= state << 5;
		return (state >>> 0) / 0x7fffffff - 1;
	};
}

/** Cents of A4 = 440 Hz as a frequency. */
export const frequencyOf = (midi: number): number => 440 * 2 ** ((midi - 69) / 12);

/**
 * A short plucked string: noise round a delay line that is as long as the period and loses its highs on
 * every turn. A fractional delay keeps it in tune.
 * @param midi pitch; @param rate samples a second
 * @returns samples, at most 1 in size, silent at the end
 */
export function pluck(midi: number, rate: number): Float32Array<ArrayBuffer> {
	const period = rate / frequencyOf(midi);
	// The average of two samples delays by half a sample; what is left over is an all-pass filter's.
	const whole = Math.floor(period - 0.5 - 0.1);
	const rest = period - 0.5 - whole;
	const allPass = (1 - rest) / (1 + rest);
	const line = new Float32Array(whole);
	const random = noise(midi * 7919);
	let soft = 0;
	for (let i = 0; i < whole; i++) {
		soft = 0.55 * random() + 0.45 * soft;
		line[i] = soft;
	}
	const mean = line.reduce((sum, sample) => sum + sample, 0) / whole;
	for (let i = 0; i < whole; i++) line[i] -= mean;
	const loss = 0.9965 ** Math.min(2, 220 / frequencyOf(midi));
	const samples = new Float32Array(Math.round(SECONDS * rate));
	let [at, before, lastIn, lastOut, peak] = [0, 0, 0, 0, 0];
	for (let i = 0; i < samples.length; i++) {
		const out = line[at];
		const averaged = loss * 0.5 * (out + before);
		before = out;
		const tuned = allPass * averaged + lastIn - allPass * lastOut;
		[lastIn, lastOut] = [averaged, tuned];
		line[at] = tuned;
		at = at + 1 === whole ? 0 : at + 1;
		samples[i] = out;
		peak = Math.max(peak, Math.abs(out));
	}
	const fade = Math.round(FADE * rate);
	for (let i = 0; i < samples.length; i++) {
		const left = samples.length - 1 - i;
		samples[i] *= (0.9 / peak) * Math.min(1, left / fade, (i + 1) / 32);
	}
	return samples;
}
