import { chartTicks, type Chart } from '../../chart';
import { positionAt, type PlanWarning, type Target } from '../types';
import type { Stretch } from './lattice';
import { restingPool, type Moment, type Pools } from './moments';
import type { Pool } from './pool';
import type { Onset } from './rhythm';
import type { LineRequest } from './types';

/** A hand that leaves its window needs this long before it plays again, in ms. */
const SHIFT_MS = 350;

/** Semitones that a way may rise above its targets; in the third bar of four, where a phrase peaks, more. */
const RISE = 4;
const PEAK = 9;
const ceilingOver = (bar: number, from: number, to: number): number =>
	Math.max(from, to) + (bar % 4 === 2 ? PEAK : RISE);

/** A way whose targets are further apart than so many semitones a move must leap. */
const FAR = 5;

/** Ways without room for a note, and locks that the way between them cannot bridge by less than leaps. */
export function warningsOf(
	chart: Chart,
	targets: readonly Target[],
	stretches: readonly Stretch[]
): PlanWarning[] {
	const warnings: PlanWarning[] = [];
	const where = (change: number) => {
		const { bar, to } = chart.changes[change]!;
		return `${to.symbol} in bar ${bar}`;
	};
	const tight: number[] = [];
	stretches.slice(0, -1).forEach(({ moments }, i) => {
		const [from, to] = [targets[i]!, targets[i + 1]!];
		const apart = Math.abs(to.midi - from.midi);
		if (moments.length === 0) tight.push(to.change);
		if (from.locked && to.locked && apart > FAR * (moments.length + 1)) {
			const room = moments.length === 1 ? 'one note' : `${moments.length || 'no'} notes`;
			const message = `The locks on ${where(from.change)} and ${where(to.change)} lie ${apart} semitones apart with room for ${room} between: the line must leap.`;
			warnings.push({ change: to.change, message });
		}
	});
	if (tight.length > 0) {
		const many = tight.length > 1 ? ` and ${tight.length - 1} more` : '';
		const message = `No room for a note before ${where(tight[0]!)}${many} in this rhythm: the targets stand alone there.`;
		warnings.push({ change: tight[0]!, message });
	}
	return warnings;
}

/** The change whose chord sounds at a tick, at or after one that was landed on, perhaps ahead of its time. */
function changeUnder({ changes }: Chart, tick: number, landed: number): number {
	let change = landed;
	while (change + 1 < changes.length && changes[change + 1]!.tick <= tick) change++;
	return change;
}

/**
 * Cuts the onsets into the ways between targets; the last way leads back to the first target.
 * @param before the ways of an earlier cut of the same onsets: those that are alike are taken over
 */
export function stretchesOf(
	request: LineRequest,
	targets: readonly Target[],
	onsets: readonly Onset[],
	pools: Pools,
	msPerTick: number,
	before: readonly Stretch[] = []
): Stretch[] {
	const { chart, line } = request;
	const chromatic =
		(line.spice ?? 0) > 0 &&
		!line.only &&
		request.style !== 'arpeggio' &&
		line.scalePlan !== 'arpeggio';
	/** Where the hand is: changes that nothing lands on move it all the same, where it moves with the chords. */
	const placeOf = request.windows
		? (tick: number, landed: number) => positionAt(request, changeUnder(chart, tick, landed))
		: () => request.position;
	const wanted = new Map((line.arrive ?? []).map((wish) => [wish.change, wish.approach]));
	const starts: number[] = [];
	for (const [i, onset] of onsets.entries()) if (onset.target !== null) starts.push(i);
	return starts.map((at, i): Stretch => {
		const end = starts[i + 1] ?? onsets.length;
		const last = i + 1 >= starts.length;
		const from = onsets[at]!;
		const to = onsets[starts[last ? 0 : i + 1]!]!;
		const fromTarget = targets[from.target ?? 0]!;
		const toTarget = targets[to.target ?? 0]!;
		const position = positionAt(request, fromTarget.change);
		const toPosition = positionAt(request, toTarget.change);
		const toTick = last ? chartTicks(chart) + to.tick : to.tick;
		const [fromPool, toPool] = [
			pools.only(from, position, fromTarget),
			pools.only(to, toPosition, toTarget)
		];
		const arrive = wanted.get(toTarget.change) ?? null;
		const known = before[i];
		if (known?.from === fromPool && known.to === toPool && known.arrive === arrive) {
			const still = known.position === position && known.toPosition === toPosition;
			if (still && known.fromTick === from.tick && known.toTick === toTick) return known;
		}
		const inside = onsets.slice(at + 1, end);
		const between = inside.filter((onset, k) => {
			if (onset.own) return true;
			const place = placeOf(onset.tick, fromTarget.change);
			// A hand that is about to move has let go.
			const next = inside[k + 1];
			const moves = (there: number, tick: number) =>
				there !== place && (tick - onset.tick) * msPerTick < SHIFT_MS;
			if (moves(toPosition, toTick)) return false;
			if (next && moves(placeOf(next.tick, fromTarget.change), next.tick)) return false;
			return pools.free(onset, place, null).candidates.length > 0;
		});
		const bar = (between[0] ?? from).bar.index;
		const ceiling = ceilingOver(bar, fromTarget.midi, toTarget.midi);
		const moments = between.map((onset, k): Moment => {
			const left = between.length - k;
			const near = chromatic && left <= 2 && !onset.anchor;
			const place = placeOf(onset.tick, fromTarget.change);
			const pin = (pool: Pool, target: Target) => pools.pinned(pool, place, target);
			const free = () =>
				pin(pin(pools.free(onset, place, near ? toTarget.midi : null), fromTarget), toTarget);
			const pool = onset.own
				? pools.only(onset, place, onset.own)
				: onset.anchor
					? restingPool(free())
					: free();
			const spot = {
				weight: onset.weight,
				left,
				start: fromTarget.midi,
				target: toTarget.midi,
				ceiling
			};
			return { onset, position: place, pool, spot };
		});
		const ahead = moments.at(-1)?.onset ?? from;
		return {
			from: fromPool,
			fromTick: from.tick,
			to: toPool,
			...{ toTick, position, toPosition },
			rested: ahead.end < toTick,
			moments,
			echo: null,
			arrive,
			take: line.seed ?? 0
		};
	});
}
