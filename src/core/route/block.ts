import { clamp } from '../kernel';
import type { Chart } from '../chart';
import type { Chord } from '../chord';
import { barFret, lastPosition, pitchAt, windowPlaces, type Instrument } from '../neck';
import { mod, pitchClass } from '../pitch';

type Anchor = { readonly string: number; readonly offset: number };

/** The lowest root of a chord under the fingers of a position: its string, and how many frets on it lies. */
function anchorOf(instrument: Instrument, chord: Chord, position: number): Anchor | null {
	const root = pitchClass(chord.root);
	const found = windowPlaces(instrument, position).find(
		({ midi, reach, fret }) => !reach && fret > 0 && midi % 12 === root
	);
	return found ? { string: found.string, offset: found.fret - position } : null;
}

/** The nearest position in which the root lies under the same finger, on the same string or one beside it. */
function nearestRoot(
	instrument: Instrument,
	chord: Chord,
	position: number,
	{ string, offset }: Anchor
): number {
	const root = pitchClass(chord.root);
	const last = lastPosition(instrument);
	const strings = [string, string - 1, string + 1].filter(
		(at) => at >= 1 && at <= instrument.open.length
	);
	let best = Math.min(last, position);
	let least = Infinity;
	for (let there = 1; there <= last; there++) {
		const holds = strings.some(
			(at) => pitchAt(instrument, { string: at, fret: there + offset }) % 12 === root
		);
		if (!holds || Math.abs(there - position) >= least) continue;
		[best, least] = [there, Math.abs(there - position)];
	}
	return best;
}

/**
 * Where a hand is at each change when it moves as a block: as far as the chord's root lies from that of the
 * change it starts from, by the shorter way. Where the neck ends, the hand goes to the nearest place that
 * has the root under the same finger, on the same string or one beside it; a slide goes an octave back.
 * @param position the hand's position at the change `from`
 * @example blockWindows(parseChart('| D7 | G7 | A7 |'), guitar, 12) // [12, 17, 7]
 */
export function blockWindows(
	chart: Chart,
	instrument: Instrument,
	position: number,
	from = 0
): number[] {
	const start = chart.changes[from]!;
	const last = lastPosition(instrument);
	const { slide } = instrument;
	const fret = slide ? barFret(position) : position;
	const anchor = (slide || !start ? null : anchorOf(instrument, start.to.chord, position)) ?? {
		string: instrument.open.length,
		offset: 0
	};
	return chart.changes.map(({ to }) => {
		const root = pitchClass(to.chord.root) - pitchClass(start.to.chord.root);
		const wished = fret + mod(root + 6, 12) - 6;
		if (!slide) {
			if (wished >= 1 && wished <= last) return wished;
			// One fret short of the nut: the same root, one finger lower.
			if (wished === 0 && anchor.offset > 0) return 1;
			return nearestRoot(instrument, to.chord, position, anchor);
		}
		// Under a slide the nut counts as a fret, and no position lies on the first one.
		if (wished === 0) return 1;
		const there = wished < 2 ? wished + 12 : wished > last ? wished - 12 : wished;
		return clamp(there, 1, last);
	});
}

/** The chords that a chart changes to, as often as they come. */
export const chordsPlayed = ({ changes }: Chart): Chord[] => changes.map(({ to }) => to.chord);
