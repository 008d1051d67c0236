import { median } from '../../kernel';

/** Looks that agree on a pitch lie within so many semitones. */
export const NEAR = 0.35;

/**
 * A pitch that glides has arrived when so many looks lie within so many semitones; one that wavers on counts
 * after `long` looks. One that leaps has arrived after `leap` looks.
 */
export const ARRIVED = { looks: 5, within: 0.1, long: 30, leap: 4 } as const;

/**
 * Where a pitch that left its note has come to stay; null while it is on its way.
 * @param pitches semitones, look by look since it left
 * @param glides it left without a leap
 */
export function arrivedAt(pitches: readonly number[], glides: boolean): number | null {
	const last = pitches.slice(-ARRIVED.looks);
	const spread = Math.max(...last) - Math.min(...last);
	if (last.length === ARRIVED.looks && spread < ARRIVED.within) return median(last, 0);
	if (pitches.length >= ARRIVED.long) return median(pitches, 0);
	return glides || spread > NEAR ? null : (pitches.at(-1) ?? null);
}
