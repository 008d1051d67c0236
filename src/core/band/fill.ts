import { type Feel } from '../chart';
import { QUARTER, chance, pick } from '../kernel';
import { type Hit, DRUMS } from './types';
import type { Pulse } from './metre';

const { snare, highTom, midTom, lowTom, rim, swirl } = DRUMS;

const SOFT: readonly Feel[] = ['ballad', 'waltz'];

/** Where a fill begins, in ticks from the bar's start: on the last beat, or the last two of four and more. */
export function fillStart(feel: Feel, pulses: readonly Pulse[]): number {
	const beats = !SOFT.includes(feel) && pulses.length >= 4 ? 2 : 1;
	return pulses[Math.max(0, pulses.length - beats)]!.offset;
}

/** Three ways down the drums, one drum a beat part. */
const WAYS = [
	[snare, snare, highTom, midTom],
	[snare, highTom, midTom, lowTom],
	[highTom, highTom, midTom, lowTom]
] as const;

/** The strokes of a fill from a moment on to the bar's end, growing toward the next section. */
export function fillFrom(
	feel: Feel,
	pulses: readonly Pulse[],
	from: number,
	seed: readonly [number, number]
): Hit[] {
	const last = pulses[pulses.length - 1]!;
	const end = last.offset + last.length;
	if (SOFT.includes(feel)) {
		return [
			[from, swirl, 0.44],
			[end - QUARTER / 2, rim, 0.4]
		];
	}
	const triplets = last.length === QUARTER && (feel === 'swing' || feel === 'shuffle');
	const step = triplets ? QUARTER / 3 : feel === 'sixteenths' ? QUARTER / 4 : QUARTER / 2;
	const count = Math.round((end - from) / step);
	const way = pick(WAYS, ...seed, 41);
	const base = feel === 'swing' ? 0.4 : 0.56;
	return Array.from({ length: count }, (_, i): Hit | null => {
		// Air in a fill: a stroke is left out now and then, never the first or the last.
		if (i > 0 && i < count - 1 && chance(...seed, i, 43) < 0.22) return null;
		const drum = way[Math.min(way.length - 1, Math.floor((i * way.length) / count))]!;
		return [Math.round(from + i * step), drum, base + (0.3 * i) / count];
	}).filter((hit) => hit !== null);
}
