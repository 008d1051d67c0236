import { parseChord, type Chord } from '$core/chord';
import { buildScale, type Scale } from '$core/harmony';
import { parseNote } from '$core/pitch';

/** A chord for tests; throws when the symbol does not read. */
export function chordOf(symbol: string): Chord {
	const found = parseChord(symbol);
	if (!found) throw new Error(symbol);
	return found;
}

/** A scale for tests; throws when there is none. */
export function scaleOf(tonic: string, name: string): Scale {
	const note = parseNote(tonic);
	const found = note && buildScale(note, name);
	if (!found) throw new Error(`${tonic} ${name}`);
	return found;
}
