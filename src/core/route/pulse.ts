import { QUARTER } from '../kernel';
import { barTicks, beatTicks, type TimeSignature } from '../chart';

/** Ticks of one felt beat: the written beat, or three eighths where eighths come in threes (6/8, 9/8, 12/8). */
const pulseTicks = (time: TimeSignature): number =>
	time.unit === 8 && time.beats % 3 === 0 && time.beats > 3
		? 3 * beatTicks(time)
		: time.unit === 8 && time.beats > 3
			? QUARTER
			: beatTicks(time);

/**
 * How strong a moment of a bar is, in thousandths: the first beat 2000, the middle of an even bar 1400,
 * other beats 1000, between beats 0.
 * @param offset ticks from the bar's start
 */
export function beatWeight(time: TimeSignature, offset: number): number {
	if (offset === 0) return 2000;
	const pulse = pulseTicks(time);
	if (offset % pulse !== 0) return 0;
	const beats = barTicks(time) / pulse;
	return beats % 2 === 0 && offset === (beats / 2) * pulse ? 1400 : 1000;
}
