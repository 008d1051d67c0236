import { chartTicks, type Chart } from '$core/chart';
import type { PlayedText, TextNote } from '$core/formats';
import type { NoteAnswer } from '$lib/api/plan-schema';
import { playingOf } from '$core/route';
import { wayOf, type WayNote } from './ways';

/** Ways with the player's own notes, and the changes that they decide. */
export type OwnWays = {
	readonly ways: readonly (readonly [number, readonly WayNote[]])[];
	readonly silent: readonly number[];
	/** Those of them that nobody asks to land on. */
	readonly air: readonly number[];
};

/** A stretch of ticks, end exclusive. */
type Range = { readonly from: number; readonly to: number };

/** What is left of a note before the first stretch that begins while it rings. */
function cutBefore(note: NoteAnswer, ranges: readonly Range[]): number {
	const starts = ranges.filter(({ from }) => from > note.tick).map(({ from }) => from - note.tick);
	return Math.min(note.durationTicks, ...starts);
}

/**
 * Lays own notes over stretches of a line: inside them they stand alone, outside the line stays as it is
 * and ends where a stretch begins. Ways that reach beyond a stretch keep their other notes.
 * @param air changes that are let pass
 * @param owns whether what stands at a tick is the player's own: it stays so
 */
export function waysOver(
	chart: Chart,
	line: readonly NoteAnswer[],
	over: Range | readonly Range[],
	typed: readonly (TextNote & Partial<PlayedText>)[],
	air: readonly number[] = [],
	owns: (tick: number) => boolean = () => false
): OwnWays {
	const ranges = 'from' in over ? [over] : over;
	const within = (tick: number) => ranges.some(({ from, to }) => tick >= from && tick < to);
	const ways: [number, WayNote[]][] = [];
	const silent: number[] = [];
	const first = chart.changes[0]?.tick ?? chartTicks(chart);
	const all = chart.changes.map(({ index, tick }) => ({ index, tick }));
	// Before the first chord there is a way too, where something is written there.
	const leads = first > 0 && typed.some((note) => note.tick < first);
	for (const { index, tick } of [...(leads ? [{ index: -1, tick: -1 }] : []), ...all]) {
		const way = wayOf(chart, index);
		if (!ranges.some(({ from, to }) => way.to > from && way.from < to)) continue;
		if (within(tick)) silent.push(index);
		const kept = line.flatMap((note) => {
			if (note.tick < way.from || note.tick >= way.to || within(note.tick)) return [];
			const durationTicks = cutBefore(note, ranges);
			// A planned landing is left to the plan, unless it would ring into the stretch.
			const left = note.kind === 'target' && !owns(note.tick);
			return left && durationTicks === note.durationTicks ? [] : [{ ...note, durationTicks }];
		});
		const own = typed.filter((note) => note.tick >= way.from && note.tick < way.to);
		const notes = [...kept, ...own]
			.sort((a, b) => a.tick - b.tick || b.string - a.string)
			.map((note): WayNote => ({
				offset: note.tick - way.from,
				durationTicks: note.durationTicks,
				string: note.string,
				fret: note.fret,
				...(note.finger == null || note.fret === 0 ? {} : { finger: note.finger }),
				...playingOf(note)
			}));
		ways.push([index, notes]);
	}
	return { ways, silent, air };
}
