import { chartTicks, type Chart } from '../chart';
import type { Instrument } from '../neck';
import { handPlaces } from './hand-places';
import type { Frozen } from './line/types';

/** Where the hand is from a tick on; `own` where it was read off the player's own notes. */
export type HandStretch = {
	readonly tick: number;
	readonly position: number;
	readonly own: boolean;
};

/**
 * Where the hand is along a route: as it was planned, and where own notes lie as they are read. Stretches follow each other
 * in time; two neighbours differ.
 * @param planned the position of the hand at a change
 * @param usual where the hand is if own notes leave it a choice
 */
export function handStretches(
	{ chart, instrument }: { readonly chart: Chart; readonly instrument: Instrument },
	planned: (change: number) => number,
	ways: readonly Frozen[],
	usual: number
): HandStretch[] {
	const end = chartTicks(chart);
	const notes = ways
		.flatMap((way) => way.notes)
		.filter(({ tick }) => tick < end)
		.sort((a, b) => a.tick - b.tick || b.string - a.string);
	const read = handPlaces(instrument, notes, usual);
	const owned = (tick: number) =>
		ways.some((way) => way.notes.length > 0 && tick >= way.from && tick < way.to);
	const plannedAt = (tick: number) =>
		planned(
			Math.max(
				0,
				chart.changes.findLastIndex((change) => change.tick <= tick)
			)
		);
	const moments = new Set([
		0,
		...chart.changes.map(({ tick }) => tick),
		...ways.flatMap(({ from, to }) => [from, to]),
		...read.map(({ tick }) => tick)
	]);
	const stretches: HandStretch[] = [];
	for (const tick of [...moments].sort((a, b) => a - b)) {
		if (tick >= end) continue;
		const own = owned(tick);
		const found = read.findLast((place) => place.tick <= tick) ?? read[0];
		const position = own && found ? found.position : plannedAt(tick);
		const last = stretches.at(-1);
		if (last?.position !== position || last.own !== own) stretches.push({ tick, position, own });
	}
	return stretches;
}
