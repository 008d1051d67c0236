import { mean as meanOf, median as medianOf } from 'd3-array';

/**
 * The middle of some numbers, of an even count the mean of the two middles.
 * @param none what there is without a number
 * @example median([3, 1, 2, 9], null) // 2.5
 */
export const median = <T>(values: Iterable<number>, none: T): number | T =>
	medianOf(values) ?? none;

/** The arithmetic mean; `none` without a number. */
export const mean = <T>(values: Iterable<number>, none: T): number | T => meanOf(values) ?? none;
