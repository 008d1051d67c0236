import type { Chart } from '../chart';
import type { Scale } from '../harmony';
import { withSlide, type Instrument } from '../neck';
import { blockWindows, chordsPlayed } from './block';

/** How the neck is held: the frets that a slide lies on at a time (0: with fingers), and whether the hand moves with each root. */
export type Holding = { readonly slide: 0 | 1 | 2; readonly block: boolean };

/** A chart and what it is played on; the scale is the one in use. */
export type Setting = {
	readonly chart: Chart;
	readonly instrument: Instrument;
	readonly scale: Scale | null;
};

/** A section that has a position of its own. */
export type SectionPlace = { readonly section: string; readonly position: number };

/**
 * The instrument as it is held in a position: with a slide, a position is what lies on its fret.
 * @param position null where the hand is not settled yet
 */
export function heldInstrument(
	{ chart, instrument, scale }: Setting,
	{ slide, block }: Holding,
	position: number | null
): Instrument {
	if (slide === 0) return instrument;
	const from = block ? position : null;
	return withSlide(instrument, slide, { scale, from, chords: chordsPlayed(chart) });
}

/**
 * Where the hand is at each change, where it moves with the roots or single sections have their places; undefined
 * where it stays.
 * @param held the instrument as it is held
 */
export function handAlong(
	chart: Chart,
	held: Instrument,
	position: number,
	{ block, places = [] }: Pick<Holding, 'block'> & { readonly places?: readonly SectionPlace[] }
): number[] | undefined {
	if (block) return blockWindows(chart, held, position);
	if (places.length === 0) return undefined;
	const own = new Map(places.map((entry) => [entry.section, entry.position]));
	return chart.changes.map(({ bar }) => own.get(chart.played[bar - 1]!.section ?? '') ?? position);
}
