import { QUARTER } from '../kernel';
import { type TimeSignature } from '../chart';

const sane = (beats: number, unit: 4 | 8): TimeSignature | null =>
	Number.isInteger(beats) && beats >= 2 && beats <= 15 ? { beats, unit } : null;

/** A signature as charts have them, from one over any note value; null where none fits. */
export function signatureOf(beats: number, unit = NaN): TimeSignature | null {
	if (unit === 4 || unit === 8) return sane(beats, unit);
	if (unit === 2 || unit === 1) return sane((beats * 4) / unit, 4);
	return sane((beats * 8) / unit, 8);
}

/** The signature of a bar that lasts so many ticks: in quarters where they divide it, else in eighths. */
export const signatureFor = (ticks: number): TimeSignature | null =>
	sane(ticks / QUARTER, 4) ?? sane((2 * ticks) / QUARTER, 8);
