import type { Scale } from '../../harmony';
import type { Instrument } from '../instrument';
import { boxes } from './box';
import { diagonals, filledBoxes, perString } from './per-string';
import { pockets } from './pocket';
import { singleFrets } from './single-fret';
import type { Family, Position } from './types';

export { boxAt, reachesAt } from './box';
export { pocketScale } from './pocket';
export { usualPerString } from './per-string';
export { FAMILIES, type Family, type Position } from './types';

type Options = {
	/** For `n-per-string` 2 … 4 notes a string; for `single-fret` 1 or 2 frets. */
	readonly notesPerString?: number;
	/** For `n-per-string` 3 of a five-note scale: its boxes filled with passing notes too. */
	readonly passing?: boolean;
};

/**
 * Lays a scale out on an instrument by one family, everywhere on the neck; computed for any tuning.
 * @example positionsOf(standardGuitar(), aMinorPentatonic, 'box').map((box) => box.position) // 3, 5, 8 …
 */
export function positionsOf(
	instrument: Instrument,
	scale: Scale,
	family: Family,
	{ notesPerString, passing }: Options = {}
): Position[] {
	switch (family) {
		case 'box':
			return boxes(instrument, scale);
		case 'n-per-string':
			return [
				...perString(instrument, scale, notesPerString),
				...(passing && notesPerString === 3 ? filledBoxes(instrument, scale) : [])
			];
		case 'diagonal':
			return diagonals(instrument, scale);
		case 'pocket':
			return pockets(instrument, scale);
		case 'single-fret':
			return singleFrets(instrument, scale, notesPerString === 2 ? 2 : 1);
	}
}
