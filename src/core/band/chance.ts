/**
 * A number in 0 … 1 that looks like chance but is the same for the same place: what varies from bar to
 * bar and from round to round, without ever differing between two playings.
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
	from[Math.floor(chance(...place) * from.length)];
