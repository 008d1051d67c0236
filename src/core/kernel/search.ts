import { bisector } from 'd3-array';

/** Where a value stands in a list whose entries ascend. */
type Search<T> = {
	/** Index of the last entry that is not greater than a value; -1 before the first. */
	readonly lastAt: (list: ArrayLike<T>, value: number) => number;
	/** Index of the first entry that is not less than a value; the length of the list after the last. */
	readonly firstFrom: (list: ArrayLike<T>, value: number) => number;
};

/**
 * Searches lists by a number of their entries, in steps that halve.
 * @example searchBy((note: { tick: number }) => note.tick).lastAt([{ tick: 0 }, { tick: 480 }], 479) // 0
 */
export function searchBy<T>(of: (entry: T) => number): Search<T> {
	const { left, right } = bisector<T, number>(of);
	return { lastAt: (list, value) => right(list, value) - 1, firstFrom: left };
}

/** Searches lists of numbers. */
export const { lastAt, firstFrom } = searchBy<number>((value) => value);
