/**
 * A number in 0 … 1 that looks like chance but is the same for the same whole numbers: what varies from place
 * to place without ever differing between two runs.
 * @example chance(3, 1) === chance(3, 1) // true
 */
export function chance(...place: readonly number[]): number {
	let hash = 0x9e3779b9;
	for (const part of place) {
		hash = Math.imul(hash ^ (part + 0x7f4a7c15), 0x85ebca6b);
		hash ^= hash >>> 13;
		hash = Math.imul(hash, 0xc2b2ae35);
		hash ^= hash >>> 16;
	}
	return (hash >>> 0) / 0x1_0000_0000;
}

/** One of several, by chance. */
export const pick = <T>(from: readonly T[], ...place: readonly number[]): T =>
	from[Math.floor(chance(...place) * from.length)]!;

/**
 * A series of numbers in 0 … 1 that a whole number begins.
 * @example const random = draws(7); random() === draws(7)() // true
 */
export function draws(seed: number): () => number {
	let state = (seed ^ 0x9e3779b9) >>> 0;
	return () => {
		state = (state + 0x6d2b79f5) >>> 0;
		let mixed = Math.imul(state ^ (state >>> 15), state | 1);
		mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
		return ((mixed ^ (mixed >>> 14)) >>> 0) / 0x1_0000_0000;
	};
}
