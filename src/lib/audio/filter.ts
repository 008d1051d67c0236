/** One sample through a filter that keeps its state; `cutoff` in Hz may change from sample to sample. */
type Sweep = (sample: number, cutoff: number) => number;

/** A low-pass of two poles (state variable, Chamberlin's form), gentle at its corner. */
export function lowPass(rate: number): Sweep {
	let [low, band] = [0, 0];
	return (sample, cutoff) => {
		const f = 2 * Math.sin((Math.PI * Math.min(cutoff, rate / 6.5)) / rate);
		low += f * band;
		const high = sample - low - 1.3 * band;
		band += f * high;
		return low;
	};
}

/** A high-pass of one pole, against rumble and offsets. */
export function highPass(rate: number, cutoff: number): (sample: number) => number {
	const keep = Math.exp((-2 * Math.PI * cutoff) / rate);
	let [last, out] = [0, 0];
	return (sample) => {
		out = keep * (out + sample - last);
		last = sample;
		return out;
	};
}
