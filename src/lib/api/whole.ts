import * as z from 'zod/mini';

/** A whole number in bounds; anything else is told in one sentence. */
export const wholeFrom = (low: number, high: number, told: string) =>
	z.int(told).check(z.gte(low, told), z.lte(high, told));
