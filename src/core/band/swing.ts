import { QUARTER, clamp } from '../kernel';
import { type Feel, type TimeSignature } from '../chart';

/** Bounds of the swing ratio: the share of a beat that its first half takes, in per cent. */
export const SWING = { least: 50, most: 75 } as const;

/** What is played unevenly, and how: 50 is even, 66.7 a triplet. */
export type Swing = {
	/** Ticks of the pair of which the second note comes late: a quarter, or an eighth for swung sixteenths. */
	readonly pair: number;
	readonly percent: number;
};

const EIGHTHS: Partial<Record<Feel, number>> = { swing: 62, shuffle: 200 / 3 };

/** How a feel is played where the player says nothing else. Eighths that come in threes never swing. */
export function swingOf(feel: Feel, percent?: number): Swing {
	const pair = feel === 'sixteenths' ? QUARTER / 2 : QUARTER;
	const asked = percent ?? EIGHTHS[feel] ?? SWING.least;
	return { pair, percent: clamp(asked, SWING.least, SWING.most) };
}

/**
 * When a written moment of a bar is played: off-beats come late, what lies between is stretched with
 * them, triplets and beats stay.
 * @param offset ticks from the bar's start
 * @returns ticks from the bar's start
 * @example swung(240, { pair: 480, percent: 62 }, { beats: 4, unit: 4 }) // 297.6
 */
export function swung(offset: number, swing: Swing, time: TimeSignature): number {
	const { pair, percent } = swing;
	if (percent === SWING.least || time.unit === 8 || offset % (pair / 4) !== 0) return offset;
	const within = offset % pair;
	const half = pair / 2;
	const turn = (pair * percent) / 100;
	const played =
		within <= half ? (within * turn) / half : turn + ((within - half) * (pair - turn)) / half;
	return offset - within + played;
}
