/** Lengths of the delay lines in seconds: no two share a divisor, so that no pitch rings. */
const LINES = [0.0297, 0.0371, 0.0411, 0.0437, 0.0531, 0.0617, 0.0673, 0.0743];
/** Seconds until the room has died away by 60 dB, and the time before it answers. */
const TAIL = 0.75;
const BEFORE = 0.011;
/** What a turn through the room takes from the highs. */
const DAMPING = 0.34;

/** A small room: eight delay lines that feed one another. Call it once a sample; it answers left and right. */
export function room(rate: number): (input: number, out: Float32Array) => void {
	const size = LINES.length;
	const lines = LINES.map((seconds) => new Float32Array(Math.round(seconds * rate)));
	const gains = LINES.map((seconds) => 10 ** ((-3 * seconds) / TAIL));
	const wait = new Float32Array(Math.max(1, Math.round(BEFORE * rate)));
	const heads = new Int32Array(size);
	const damped = new Float32Array(size);
	const turn = new Float32Array(size);
	let head = 0;
	return (input, out) => {
		const entering = wait[head];
		wait[head] = input;
		head = head + 1 === wait.length ? 0 : head + 1;
		let sum = 0;
		let [left, right] = [0, 0];
		for (let i = 0; i < size; i++) {
			const sample = lines[i][heads[i]];
			damped[i] += (1 - DAMPING) * (sample - damped[i]);
			turn[i] = damped[i] * gains[i];
			sum += turn[i];
			if (i % 2 === 0) left += i % 4 === 0 ? sample : -sample;
			else right += i % 4 === 1 ? sample : -sample;
		}
		for (let i = 0; i < size; i++) {
			// Every line hears all others: a reflection about their mean.
			lines[i][heads[i]] = entering + turn[i] - (2 / size) * sum;
			heads[i] = heads[i] + 1 === lines[i].length ? 0 : heads[i] + 1;
		}
		out[0] = 0.5 * left;
		out[1] = 0.5 * right;
	};
}

/** What the room answers to a single impulse: left and right, for a convolution that sounds the same. */
export function roomResponse(rate: number): [Float32Array<ArrayBuffer>, Float32Array<ArrayBuffer>] {
	const length = Math.round((TAIL * 1.3 + BEFORE) * rate);
	const [left, right] = [new Float32Array(length), new Float32Array(length)];
	const step = room(rate);
	const out = new Float32Array(2);
	for (let n = 0; n < length; n++) {
		step(n === 0 ? 1 : 0, out);
		[left[n], right[n]] = [out[0], out[1]];
	}
	return [left, right];
}
