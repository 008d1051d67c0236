import { clamp } from '../kernel';
import { highestFret, pitchAt, type Instrument, type Place } from './instrument';
import { furthestFret, reachPrice } from './prices';
import { SLIDE_FINGER } from './slide';

/** A place that a position reaches. `reach` is true for the frets just outside the four fingers. */
export type WindowPlace = Place & {
	readonly midi: number;
	readonly reach: boolean;
	/** Finger 1 … 4, null on an open string. A reach is a stretch of finger 1 or 4. */
	readonly finger: number | null;
	/** What the hand pays for it in thousandths: nothing but for a reach. */
	readonly price: number;
	/** The highest fret that the hand stretches to from here. */
	readonly furthest: number;
};

/** Positions of an instrument: the fret of the index finger, 1 … highest fret − 3. */
export const lastPosition = (instrument: Instrument): number => highestFret(instrument) - 3;
export const isPosition = (instrument: Instrument, position: number): boolean =>
	Number.isInteger(position) && position >= 1 && position <= lastPosition(instrument);

/**
 * Lowest and highest fret that a position reaches: one below the index, one above the little finger;
 * under a slide what it lies on.
 */
export function windowFrets(
	instrument: Instrument,
	position: number
): { low: number; high: number } {
	const bar = instrument.slide?.[position];
	if (bar) return { low: Math.min(...bar), high: Math.max(...bar) };
	return { low: position - 1, high: Math.min(position + 4, highestFret(instrument)) };
}

/**
 * Every place that position *w* reaches: frets *w*−1 … *w*+4 on every string, thickest string first
 * and frets upward; under a slide the frets that it lies on. Open strings belong to position 1 only; they
 * need no finger and are no reach.
 */
export function windowPlaces(instrument: Instrument, position: number): readonly WindowPlace[] {
	let known = windows.get(instrument);
	if (!known) windows.set(instrument, (known = new Map()));
	let places = known.get(position);
	if (!places) known.set(position, (places = findPlaces(instrument, position)));
	return places;
}

const windows = new WeakMap<Instrument, Map<number, readonly WindowPlace[]>>();

function findPlaces(instrument: Instrument, position: number): WindowPlace[] {
	const { low, high } = windowFrets(instrument, position);
	const places: WindowPlace[] = [];
	for (let string = instrument.open.length; string >= 1; string--) {
		for (let fret = low; fret <= high; fret++) {
			if (inWindow(instrument, position, { string, fret })) {
				places.push(placeUnder(instrument, position, { string, fret }));
			}
		}
	}
	return places;
}

/** A place as the hand at a position meets it, inside its window or not. */
export function placeUnder(instrument: Instrument, position: number, place: Place): WindowPlace {
	const { string, fret } = place;
	const midi = pitchAt(instrument, place);
	const furthest = furthestFret(instrument, fret);
	// Beyond its reach the hand must move, and which finger then plays is not for this place to say.
	const held = fret > 0 && inWindow(instrument, position, place);
	if (instrument.slide) {
		const finger = held ? SLIDE_FINGER : null;
		return { string, fret, midi, reach: false, price: 0, furthest, finger };
	}
	const finger = held ? clamp(fret - position + 1, 1, 4) : null;
	const reach = fret > 0 && (fret < position || fret > position + 3);
	const price = reach ? reachPrice(instrument, position, fret) : 0;
	return { string, fret, midi, reach, finger, price, furthest };
}

/** True when a position reaches a place. */
export function inWindow(instrument: Instrument, position: number, place: Place): boolean {
	const { string, fret } = place;
	if (string < 1 || string > instrument.open.length) return false;
	const bar = instrument.slide?.[position];
	if (bar) return bar.includes(fret);
	const { low, high } = windowFrets(instrument, position);
	return fret >= low && fret <= high;
}

/**
 * Where a fret wire stands, as a share of the scale length from the nut (0 … 1). A place is played
 * just behind its wire.
 */
export const fretWire = (fret: number): number => 1 - 2 ** (-fret / 12);
