import { performed, type Swing } from '$core/band';
import type { Chart } from '$core/chart';
import type { PlayedNote } from './played';

/** A note of the line as it is heard: its tick in the chart, and the ticks from and to which it sounds. */
type HeardNote = {
	readonly tick: number;
	readonly round: number | undefined;
	readonly from: number;
	readonly to: number;
};

/** When the notes of a line sound, swing taken along. */
export const heardLine = (
	chart: Chart,
	line: readonly PlayedNote[],
	swing: Swing
): readonly HeardNote[] =>
	line.map(({ tick, durationTicks, round }) => ({
		tick,
		round,
		from: performed(chart, tick, swing),
		to: performed(chart, tick + durationTicks, swing)
	}));

/** The tick of the note that sounds at a moment of a time through; null in a rest. */
export function noteAt(line: readonly HeardNote[], tick: number, round: number): number | null {
	const note = line.findLast(
		(one) => one.from <= tick && (one.round === undefined || one.round === round)
	);
	return note && note.to > tick ? note.tick : null;
}
