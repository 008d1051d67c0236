import type { Chart } from '$core/chart';
import type { TextNote } from '$core/formats';
import type { NoteAnswer } from '$lib/api/plan-schema';
import { wayOf, type WayNote } from './ways';

/** Ways with the player's own notes, and the changes that they decide. */
export type OwnWays = {
	readonly ways: readonly (readonly [number, readonly WayNote[]])[];
	readonly silent: readonly number[];
	/** Notes that stand before the first chord, where no way is: they are left out. */
	readonly lost: number;
};

/**
 * Lays own notes over a stretch of a line: inside it they stand alone, outside the line stays as it is.
 * Ways that reach beyond the stretch keep their other notes.
 * @param from ticks; `to` is exclusive
 */
export function waysOver(
	chart: Chart,
	line: readonly NoteAnswer[],
	{ from, to }: { readonly from: number; readonly to: number },
	typed: readonly TextNote[]
): OwnWays {
	const ways: [number, WayNote[]][] = [];
	const silent: number[] = [];
	for (const { index, tick } of chart.changes) {
		const way = wayOf(chart, index);
		if (way.to <= from || way.from >= to) continue;
		const inside = tick >= from && tick < to;
		if (inside) silent.push(index);
		const kept = line.filter(
			(note) =>
				note.tick >= way.from &&
				note.tick < way.to &&
				(note.tick < from || note.tick >= to) &&
				note.kind !== 'target'
		);
		const own = typed.filter((note) => note.tick >= way.from && note.tick < way.to);
		const notes = [...kept, ...own]
			.sort((a, b) => a.tick - b.tick)
			.map(({ tick: at, durationTicks, string, fret }): WayNote => ({
				offset: at - way.from,
				durationTicks,
				string,
				fret
			}));
		ways.push([index, notes]);
	}
	const first = chart.changes[0]?.tick ?? 0;
	return { ways, silent, lost: typed.filter((note) => note.tick < first).length };
}
