import type { Chart } from '../chart';
import { barFret, lastPosition, type Instrument } from '../neck';
import { mod, pitchClass } from '../pitch';

/**
 * Where a hand is at each change when it moves as a block: as far as the chord's root lies from that of the
 * change it starts from, by the shorter way, an octave back where the neck ends.
 * @param position the hand's position at the change `from`
 * @example blockWindows(parseChart('| D7 | G7 | A7 |'), guitar, 12) // [12, 17, 7]
 */
export function blockWindows(
	chart: Chart,
	instrument: Instrument,
	position: number,
	from = 0
): number[] {
	const start = chart.changes[from];
	const last = lastPosition(instrument);
	const { slide } = instrument;
	const fret = slide ? barFret(position) : position;
	return chart.changes.map(({ to }) => {
		const root = pitchClass(to.chord.root) - pitchClass(start.to.chord.root);
		const wished = fret + mod(root + 6, 12) - 6;
		// Under a slide the nut counts as a fret, and no position lies on the first one.
		if (slide && wished === 0) return 1;
		const below = wished < (slide ? 2 : 1);
		const there = below ? wished + 12 : wished > last ? wished - 12 : wished;
		return Math.min(last, Math.max(1, there));
	});
}
