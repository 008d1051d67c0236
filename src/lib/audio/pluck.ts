import { frequencyOf, pluckString } from './string';

/** What is left after one turn of a low string, and the pitch above which a string loses no less a second. */
const TURN = 0.9965;
const KNEE = 220;

/**
 * A short plucked note, as a touched note sounds.
 * @param midi pitch; @param rate samples a second
 */
export function pluck(midi: number, rate: number): Float32Array<ArrayBuffer> {
	const frequency = frequencyOf(midi);
	const left = TURN ** (Math.min(2, KNEE / frequency) * frequency);
	return pluckString(midi, rate, { seconds: 1.1, fade: 0.25, left, soft: 0.5, pickAt: 0 });
}
