import { QUARTER } from '../kernel';
import { barTicks, beatTicks, type TimeSignature } from '../chart';

/** A felt beat of a bar: ticks from the bar's start, length, and its place in its group. */
export type Pulse = {
	readonly index: number;
	readonly offset: number;
	readonly length: number;
	/** First of a group of beats: the first beat of the bar, the third of four. */
	readonly leads: boolean;
	/** Last of a group: where the snare answers. */
	readonly answers: boolean;
};

/** Beats in twos, what is over as one group of three: five as 3+2, seven as 2+2+3. */
function groupsOf(count: number): number[] {
	if (count <= 3) return [count];
	if (count === 5) return [3, 2];
	if (count % 3 === 0 && count % 2 !== 0) return Array.from({ length: count / 3 }, () => 3);
	const pairs = Math.floor(count / 2);
	return Array.from({ length: pairs }, (_, i) => (i === pairs - 1 && count % 2 !== 0 ? 3 : 2));
}

/** Lengths of the felt beats: quarters; in eighths threes (6/8, 9/8, 12/8), or twos and a three (7/8). */
function lengthsOf(time: TimeSignature): number[] {
	if (time.unit === 4) return Array.from({ length: time.beats }, () => QUARTER);
	const eighth = beatTicks(time);
	if (time.beats % 3 === 0) return Array.from({ length: time.beats / 3 }, () => 3 * eighth);
	return groupsOf(time.beats).map((eighths) => eighths * eighth);
}

/**
 * The felt beats of a bar.
 * @example pulsesOf({ beats: 6, unit: 8 }).map((pulse) => pulse.offset) // [0, 720]
 */
export function pulsesOf(time: TimeSignature): Pulse[] {
	const lengths = lengthsOf(time);
	const leads = new Set<number>();
	const answers = new Set<number>();
	let first = 0;
	for (const size of groupsOf(lengths.length)) {
		leads.add(first);
		if (size > 1) answers.add(first + size - 1);
		first += size;
	}
	let offset = 0;
	return lengths.map((length, index) => {
		const pulse = { index, offset, length, leads: leads.has(index), answers: answers.has(index) };
		offset += length;
		return pulse;
	});
}

/** Beats as they are counted in: quarters, or every eighth of 6/8; `accent` 2 on one, 1 on a group's first. */
export function countsOf(time: TimeSignature): { offset: number; count: number; accent: number }[] {
	const beat = beatTicks(time);
	const leads = new Set(
		pulsesOf(time)
			.filter((pulse) => time.unit === 8 || pulse.leads)
			.map((pulse) => pulse.offset)
	);
	return Array.from({ length: barTicks(time) / beat }, (_, i) => ({
		offset: i * beat,
		count: i + 1,
		accent: i === 0 ? 2 : leads.has(i * beat) ? 1 : 0
	}));
}
