import { comfortOf, stretchMm } from './hand';
import type { Instrument } from './instrument';

/**
 * What a fretting hand pays, in thousandths: the one list by which landings, lines, layouts of pitches and joined shapes
 * are weighed. The values are told in docs/decisions/45; what each decides is shown by `prices.test.ts` here and in `route`.
 */
export const HAND = {
	/** By strings crossed: the next string is nearly free, one left out is felt, two are a jump; then each string further. */
	crossing: [0, 80, 700, 1800],
	crossingFurther: 900,
	/** A finger that leaves the four frets of its position. */
	reach: 300,
	/** A stretch that is too far for the hand, at leisure. */
	tooFar: 1500,
	/** One finger that is set from one string to another fret of the next. */
	jump: 1200,
	/** Moving to another place: setting the first finger down there, another one, and every fret of the way. */
	shiftFirst: 750,
	shift: 1500,
	shiftFret: 250
};

/**
 * Going from one string to another.
 * @param strings how many strings further, 0 on the same one
 */
export const crossingPrice = (strings: number): number =>
	HAND.crossing[strings] ?? HAND.crossing[3]! + HAND.crossingFurther * (strings - 3);

/**
 * Reaching a fret just outside the four fingers of a position. The stretch from there to the finger at the other side of
 * the hand must be one that this hand makes. With a medium hand on the usual length it is so everywhere, and what is
 * planned moves with the chart from fret to fret.
 */
export function reachPrice(instrument: Instrument, position: number, fret: number): number {
	const far = fret < position ? position + 3 : position;
	const mm = stretchMm(instrument, fret, far);
	return HAND.reach + (comfortOf(mm, instrument.hand) === 'far' ? HAND.tooFar : 0);
}

/** Frets that four fingers and one reach span. */
const SPAN = 4;

/** The highest fret that a hand stretches to from another one, by the mm between them and its four fingers. */
export function furthestFret(instrument: Instrument, fret: number): number {
	let furthest = fret;
	while (
		furthest < fret + SPAN &&
		comfortOf(stretchMm(instrument, fret, furthest + 1), instrument.hand) !== 'far'
	) {
		furthest++;
	}
	return furthest;
}

/**
 * Moving the hand along the neck.
 * @param finger what is set down there: the first finger, another one, or one that has slid along
 */
export const shiftPrice = (frets: number, finger: 'first' | 'other' | 'slid' = 'other'): number => {
	if (frets === 0) return 0;
	const set = finger === 'slid' ? 0 : finger === 'first' ? HAND.shiftFirst : HAND.shift;
	return set + HAND.shiftFret * Math.abs(frets);
};
