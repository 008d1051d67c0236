/** Steps of ink that say how well something lies: 0 poor … 4 best. */
const STEPS = 5;

/**
 * Puts values on five steps of ink, between the least and the greatest of them; equal values all
 * stand in the middle.
 */
export function densities(values: readonly number[]): number[] {
	const [low, high] = [Math.min(...values), Math.max(...values)];
	if (high - low < 1e-9) return values.map(() => 2);
	return values.map((value) =>
		Math.min(STEPS - 1, Math.floor((STEPS * (value - low)) / (high - low)))
	);
}
