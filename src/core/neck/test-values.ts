import { buildScale, type Scale } from '../harmony';
import { parseNote } from '../pitch';
import { buildInstrument, standardGuitar, type Instrument } from './instrument';

/** Values that tests of the neck share; each throws where a text cannot be read. */
export const guitar = standardGuitar();
export const ROOTS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];

export function scale(tonic: string, name: string): Scale {
	const note = parseNote(tonic);
	const found = note && buildScale(note, name);
	if (!found) throw new Error(`${tonic} ${name}`);
	return found;
}

export function instrument(...args: Parameters<typeof buildInstrument>): Instrument {
	const found = buildInstrument(...args);
	if (!found) throw new Error(String(args));
	return found;
}
