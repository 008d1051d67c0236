import { QUARTER } from '../kernel';
import { barTicks, beatTicks, type TimeSignature } from '../chart';

/** Ticks of one felt beat: the written beat, or three eighths where eighths come in threes (6/8, 9/8, 12/8). */
const pulseTicks = (time: TimeSignature): number =>
	time.unit === 8 && time.beats % 3 === 0 && time.beats > 3
		? 3 * beatTicks(time)
		: time.unit === 8 && time.beats > 3
			? QUARTER
			: beatTicks(time);

/** How strong the beats of a bar are, in thousandths: the first, the middle of an even bar, the others. */
export const BEATS = { first: 2000, middle: 1400, other: 1000 } as const;

/**
 * How strong a moment of a bar is, as `BEATS` has it; 0 between beats.
 * @param offset ticks from the bar's start
 */
export function beatWeight(time: TimeSignature, offset: number): number {
	if (offset === 0) return BEATS.first;
	const pulse = pulseTicks(time);
	if (offset % pulse !== 0) return 0;
	const beats = barTicks(time) / pulse;
	return beats % 2 === 0 && offset === (beats / 2) * pulse ? BEATS.middle : BEATS.other;
}
