/**
 * Repeatable numbers in 0 … 1 from a whole number.
 * @example const random = noise(7); random() === noise(7)() // true
 */
export function noise(seed: number): () => number {
	let state = (seed ^ 0x9e3779b9) >>> 0;
	return () => {
		state = (state + 0x6d2b79f5) >>> 0;
		let mixed = Math.imul(state ^ (state >>> 15), state | 1);
		mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
		return ((mixed ^ (mixed >>> 14)) >>> 0) / 0x1_0000_0000;
	};
}
