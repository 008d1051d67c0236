/**
 * A value held between two bounds; where they cross, the upper one counts.
 * @example clamp(320, 30, 300) // 300
 */
export const clamp = (value: number, least: number, most: number): number =>
	Math.min(most, Math.max(least, value));

/** A part of a whole, 0 … 1; 0 of nothing. */
export const share = (part: number, whole: number): number => (whole === 0 ? 0 : part / whole);

const WORDS = [
	...['no', 'one', 'two', 'three', 'four', 'five', 'six'],
	...['seven', 'eight', 'nine', 'ten', 'eleven', 'twelve']
];

/** A count as it is written in a sentence: in words up to twelve, in figures from there on. */
export const countWord = (n: number): string => WORDS[n] ?? String(n);
