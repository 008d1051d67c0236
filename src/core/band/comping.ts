import { type Feel, type PlayedBar } from '../chart';
import { QUARTER, chance, pick } from '../kernel';
import { pulsesOf } from './metre';
import type { Stretch } from './timeline';
import type { BandNote } from './types';

/** A hit: ticks from the bar's start, length in ticks, level. */
type Hit = { readonly offset: number; readonly length: number; readonly level: number };

const hit = (offset: number, length: number, level: number): Hit => ({ offset, length, level });
const HALF = QUARTER / 2;

/** Where the chords fall in a bar, by feel; one of a few ways, the same for four bars of a round. */
function rhythm(feel: Feel, bar: PlayedBar, round: number): Hit[] {
	const pulses = pulsesOf(bar.signature);
	const end = bar.lengthTicks;
	const seed = [bar.index >> 2, round, 53] as const;
	const after = (index: number) => pulses[index + 1]?.offset ?? end;
	switch (feel) {
		case 'straight':
			return pulses.flatMap(({ offset, length, leads, answers, index }) => {
				if (leads) return [hit(offset, length, index === 0 ? 0.66 : 0.56)];
				const tail = hit(offset + length / 2, length / 2 - 20, 0.46);
				return answers ? [hit(offset, length / 2 - 30, 0.52), tail] : [tail];
			});
		case 'swing': {
			if (pulses.length < 4) return [hit(0, QUARTER, 0.5), hit(after(0) - HALF, HALF, 0.42)];
			const ways = [
				[hit(0, 400, 0.54), hit(720, 300, 0.48)],
				[hit(240, 300, 0.48), hit(1200, 400, 0.5)],
				[hit(480, 200, 0.46), hit(1440, 200, 0.5)],
				[hit(0, 700, 0.5), hit(1200, 260, 0.46), hit(1680, 220, 0.44)]
			];
			return pick(ways, bar.index, round, 53).filter(({ offset }) => offset < end);
		}
		case 'shuffle':
			return pulses.flatMap(({ offset, length, answers, index }) => {
				if (answers) return [hit(offset, length * 0.4, 0.58)];
				const skip = chance(...seed, index) < 0.5;
				return skip ? [hit(offset + (length === 720 ? 480 : 240), length * 0.3, 0.4)] : [];
			});
		case 'waltz':
			return pulses.length === 1
				? [hit(0, end * 0.8, 0.5)]
				: pulses
						.filter(({ index }) => index > 0)
						.map(({ offset, length }) => hit(offset, length * 0.55, 0.46));
		case 'ballad':
			return pulses
				.filter((pulse) => pulse.leads)
				.map(({ offset, index }) => {
					const later = pulses.find((pulse) => pulse.leads && pulse.index > index);
					return hit(offset, (later?.offset ?? end) - offset - 20, index === 0 ? 0.54 : 0.42);
				});
		case 'sixteenths': {
			const way = pick([0, 1], ...seed);
			return pulses.flatMap(({ offset, length, leads, answers }) => {
				const step = length === 720 ? 240 : 120;
				const back = [hit(offset + length / 2, step * 0.8, 0.46)];
				if (answers) return [hit(offset, step, 0.56), ...back];
				if (!leads) return back;
				return way === 0
					? [hit(offset, step * 1.6, 0.54), hit(offset + length - step, step * 0.8, 0.44)]
					: [hit(offset + 2 * step, step, 0.5), hit(offset + length - step, step * 0.8, 0.42)];
			});
		}
	}
}

/** What the chord player knows of a bar. */
export type CompBar = {
	readonly bar: PlayedBar;
	readonly round: number;
	readonly stretches: readonly Stretch[];
	readonly voicingOf: (event: number) => readonly number[] | null;
	/** Ms from string to string of a strum; 0 for keys. */
	readonly strumMs: number;
};

/** Ticks that a chord rings on over the bar line that it was pushed over. */
const OVER = QUARTER * 0.7;

/** Feels where every new chord is played where it begins, whatever the rhythm says. */
const ALWAYS: readonly Feel[] = ['straight', 'ballad', 'sixteenths'];

/** The chords of one bar: the rhythm of the feel, and every pushed chord where it is pushed. */
export function compBar(feel: Feel, of: CompBar): BandNote[] {
	const { bar, round, stretches, voicingOf, strumMs } = of;
	const hits = rhythm(feel, bar, round);
	return stretches.flatMap((stretch, s) => {
		const voicing = stretch.chord && voicingOf(stretch.event);
		if (!voicing) return [];
		const from = stretch.from - bar.startTick;
		const to = stretch.to - bar.startTick;
		// A pushed chord rings over its beat instead of being struck there again.
		const tied = stretch.tiedTo === null ? -1 : stretch.tiedTo - bar.startTick;
		let inside = hits.filter(({ offset }) => offset >= from && offset < to && offset > tied);
		const over = tied >= to ? Math.min(OVER, stretch.untilNext - (to - from)) : 0;
		const strikes =
			stretch.begins &&
			inside[0]?.offset !== from &&
			(stretch.pushed || s > 0 || ALWAYS.includes(feel) || inside.length === 0);
		if (strikes) {
			const until = (inside[0]?.offset ?? to) + over;
			const rings = feel === 'ballad' || stretch.pushed ? until - from : QUARTER * 0.75;
			inside = [hit(from, Math.min(until - from, rings), stretch.pushed ? 0.6 : 0.52), ...inside];
		}
		return inside.flatMap(({ offset, length, level }, i) => {
			const until = inside[i + 1]?.offset ?? to + over;
			const human = 0.92 + 0.16 * chance(bar.index, round, offset, 61);
			// Off the beat the pick comes from below.
			const upward = strumMs > 0 && offset % QUARTER !== 0;
			const order = upward ? [...voicing].reverse() : voicing;
			return order.map((midi, k): BandNote => ({
				part: 'chords',
				tick: bar.startTick + offset,
				durationTicks: Math.max(60, Math.round(Math.min(length, until - offset))),
				midi,
				velocity: Math.min(1, level * human * (k === order.length - 1 ? 1.06 : 0.97)),
				...(strumMs > 0 && k > 0 ? { delayMs: k * strumMs } : {})
			}));
		});
	});
}
