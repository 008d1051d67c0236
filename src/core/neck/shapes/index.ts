import type { Chord } from '../../chord';
import type { Instrument } from '../instrument';
import { fullShape, type Frame, type FullShape } from './arpeggio';
import { fragments } from './fragments';
import { carriedOn, twoAString } from './joined';
import { paths } from './paths';
import type { Shape } from './types';

export { joinShapes } from './join';
export { formOfGrip } from './form';
export type { Form, Shape } from './types';

/**
 * Every arpeggio shape of a chord in one position: the full one first, then the easiest way from root to
 * root in each octave, then every other path, then fragments on two and three
 * strings, then what goes on into the next places.
 * @returns an empty list when no tone of the chord lies under the fingers.
 */
export function arpeggioShapes(instrument: Instrument, chord: Chord, position: number): Shape[] {
	const full = fullShape(instrument, chord, position);
	if (!full) return [];
	const frame = { instrument, chord, position };
	return [
		full.shape,
		...paths(frame, full.tones),
		...fragments(frame, full.tones),
		...joinedShapes(frame, full)
	];
}

/** What goes on beyond the place; a slide lies where it lies. */
const joinedShapes = (frame: Frame, { shape, tones }: FullShape): Shape[] =>
	frame.instrument.slide ? [] : [...carriedOn(frame, shape, tones), ...twoAString(frame, tones)];

/** The full shape alone: everything that one position holds of a chord; null when nothing lies under the fingers. */
export const fullArpeggio = (
	instrument: Instrument,
	chord: Chord,
	position: number
): Shape | null => fullShape(instrument, chord, position)?.shape ?? null;
