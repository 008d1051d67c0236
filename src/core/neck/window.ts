import { highestFret, pitchAt, type Instrument, type Place } from './instrument';

/** A place that a position reaches. `reach` is true for the frets just outside the four fingers. */
export type WindowPlace = Place & {
	readonly midi: number;
	readonly reach: boolean;
	/** Finger 1 … 4, null on an open string. A reach is a stretch of finger 1 or 4. */
	readonly finger: number | null;
};

/** Positions of an instrument: the fret of the index finger, 1 … highest fret − 3. */
export const lastPosition = (instrument: Instrument): number => highestFret(instrument) - 3;
export const isPosition = (instrument: Instrument, position: number): boolean =>
	Number.isInteger(position) && position >= 1 && position <= lastPosition(instrument);

/** Lowest and highest fret that a position reaches: one below the index, one above the little finger. */
export const windowFrets = (
	instrument: Instrument,
	position: number
): { low: number; high: number } => ({
	low: position - 1,
	high: Math.min(position + 4, highestFret(instrument))
});

/**
 * Every place that position *w* reaches: frets *w*−1 … *w*+4 on every string, thickest string first
 * and frets upward. Open strings belong to position 1 only; they need no finger and are no reach.
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
			const finger = fret === 0 ? null : Math.min(4, Math.max(1, fret - position + 1));
			const reach = fret > 0 && (fret < position || fret > position + 3);
			places.push({ string, fret, midi: pitchAt(instrument, { string, fret }), reach, finger });
		}
	}
	return places;
}

/** True when a position reaches a place. */
export function inWindow(instrument: Instrument, position: number, place: Place): boolean {
	const { low, high } = windowFrets(instrument, position);
	return (
		place.string >= 1 &&
		place.string <= instrument.open.length &&
		place.fret >= low &&
		place.fret <= high
	);
}

/**
 * Where a fret wire stands, as a share of the scale length from the nut (0 … 1). A place is played
 * just behind its wire.
 */
export const fretWire = (fret: number): number => 1 - 2 ** (-fret / 12);
