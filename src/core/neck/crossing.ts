/** By strings crossed, in thousandths: the next string is nearly free, one left out is felt, two are a jump. */
const CROSSING = [0, 80, 700, 1800];
/** Every string further. */
const FURTHER = 900;

/**
 * What it costs a hand to go from one string to another, in thousandths: the price of every line of notes.
 * @param strings how many strings further, 0 on the same one
 */
export const crossingCost = (strings: number): number =>
	CROSSING[strings] ?? 1800 + FURTHER * (strings - 3);
