import type { Chart } from '$core/chart';
import type { PlayedText, TextNote } from '$core/formats';
import type { NoteAnswer } from '$lib/api/plan-schema';
import { wayOf, type WayNote } from './ways';

/** Ways with the player's own notes, and the changes that they decide. */
export type OwnWays = {
	readonly ways: readonly (readonly [number, readonly WayNote[]])[];
	readonly silent: readonly number[];
	/** Those of them that nobody asks to land on. */
	readonly air: readonly number[];
	/** Notes that stand before the first chord, where no way is: they are left out. */
	readonly lost: number;
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
 */
export function waysOver(
	chart: Chart,
	line: readonly NoteAnswer[],
	over: Range | readonly Range[],
	typed: readonly (TextNote & Partial<PlayedText>)[],
	air: readonly number[] = []
): OwnWays {
	const ranges = 'from' in over ? [over] : over;
	const within = (tick: number) => ranges.some(({ from, to }) => tick >= from && tick < to);
	// A text without any sign leaves slurs to the hand.
	const signed = typed.some((note) => note.technique);
	const ways: [number, WayNote[]][] = [];
	const silent: number[] = [];
	for (const { index, tick } of chart.changes) {
		const way = wayOf(chart, index);
		if (!ranges.some(({ from, to }) => way.to > from && way.from < to)) continue;
		if (within(tick)) silent.push(index);
		const kept = line.flatMap((note) => {
			if (note.tick < way.from || note.tick >= way.to || within(note.tick)) return [];
			const durationTicks = cutBefore(note, ranges);
			// A landing is left to the plan, unless it would ring into the stretch.
			const rings = durationTicks < note.durationTicks;
			return note.kind === 'target' && !rings ? [] : [{ ...note, durationTicks }];
		});
		const own = typed.filter((note) => note.tick >= way.from && note.tick < way.to);
		const told = own.map((note) => ({
			...note,
			...(signed ? { technique: note.technique ?? null } : {})
		}));
		const notes = [...kept.map((note) => ({ ...note, technique: undefined })), ...told]
			.sort((a, b) => a.tick - b.tick)
			.map(({ tick: at, durationTicks, string, fret, technique }): WayNote => ({
				offset: at - way.from,
				durationTicks,
				string,
				fret,
				...(technique === undefined ? {} : { technique })
			}));
		ways.push([index, notes]);
	}
	const first = chart.changes[0]?.tick ?? 0;
	return { ways, silent, air, lost: typed.filter((note) => note.tick < first).length };
}
