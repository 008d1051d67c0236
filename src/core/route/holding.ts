import type { Chart, PlayedBar } from '../chart';
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
type SectionPlace = { readonly section: string; readonly position: number };

/** Where the hand is from a written bar on; bars count from 1, null is back where it was without this. */
type BarPlace = { readonly bar: number; readonly position: number | null };

/** Where the hand is by what the player says of sections and bars: a bar's place goes before that of its section. */
export type HandWish = {
	readonly places?: readonly SectionPlace[];
	readonly hand?: readonly BarPlace[];
};

/** Where the hand is in each bar; null where all of it is in one position, for all that is said. */
export function handByBar(
	position: number,
	{ places = [], hand = [] }: HandWish
): ((bar: PlayedBar) => number) | null {
	if (places.length === 0 && hand.length === 0) return null;
	const own = new Map(places.map((entry) => [entry.section, entry.position]));
	const moves = [...hand].sort((a, b) => a.bar - b.bar);
	return ({ written, section }) =>
		moves.findLast(({ bar }) => bar <= written + 1)?.position ?? own.get(section ?? '') ?? position;
}

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
 * Where the hand is at each change, where it moves with the roots or single sections and bars have their places; undefined
 * where it stays.
 * @param held the instrument as it is held
 */
export function handAlong(
	chart: Chart,
	held: Instrument,
	position: number,
	{ block, ...wish }: Pick<Holding, 'block'> & HandWish
): number[] | undefined {
	if (block) return blockWindows(chart, held, position);
	const at = handByBar(position, wish);
	return at ? chart.changes.map(({ bar }) => at(chart.played[bar - 1]!)) : undefined;
}
