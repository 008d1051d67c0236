import type { Scale } from '../harmony';
import { highestFret, pitchAt, type Instrument } from './instrument';

/** How far a second fret may lie from the first, in frets. */
const SLIDE_NEAR = 3;
/** The second fret where no scale says which one adds most: a whole tone on. */
const PLAIN = 2;

/** The finger that wears the slide. */
export const SLIDE_FINGER = 4;

/** Pitch classes of the scale that some frets sound, straight across the strings. */
const kindsOn = (instrument: Instrument, scale: Scale, frets: readonly number[]): number => {
	const heard = frets.flatMap((fret) =>
		instrument.open.map((_, i) => pitchAt(instrument, { string: i + 1, fret }) % 12)
	);
	return scale.notes.filter((note) => heard.includes(note.pc)).length;
};

/** The fret, at most three on, that adds the most notes of a scale to a fret; null at the end of the neck. */
export function secondFret(
	instrument: Instrument,
	scale: Scale | null,
	fret: number
): number | null {
	const others = Array.from({ length: SLIDE_NEAR }, (_, i) => fret + i + 1).filter(
		(other) => other <= highestFret(instrument)
	);
	if (!scale) return others[PLAIN - 1] ?? others.at(-1) ?? null;
	const found = others
		.map((other) => ({ other, kinds: kindsOn(instrument, scale, [fret, other]) }))
		.sort((a, b) => b.kinds - a.kinds)[0];
	return found?.other ?? null;
}

/** The fret that a position lies on under a slide: its own, but the first is that of the open strings. */
export const barFret = (position: number): number => (position === 1 ? 0 : position);

/**
 * An instrument played with a slide: a position holds one fret straight across, or two, and no other; the
 * first is that of the open strings.
 * @param frets 1: the position's fret; 2: with the fret near it that adds the most notes of the scale
 * @param from where both frets move as a block: the position whose second fret the others take after
 */
export function withSlide(
	instrument: Instrument,
	frets: 1 | 2,
	scale: Scale | null = null,
	from: number | null = null
): Instrument {
	const start = from === null ? null : barFret(from);
	const apart = start === null ? null : (secondFret(instrument, scale, start) ?? start) - start;
	const slide = Array.from({ length: highestFret(instrument) + 1 }, (_, position): number[] => {
		const fret = barFret(position);
		if (frets === 1) return [fret];
		const second = apart ? fret + apart : secondFret(instrument, scale, fret);
		return second === null || second > highestFret(instrument) ? [fret] : [fret, second];
	});
	return { ...instrument, slide };
}
