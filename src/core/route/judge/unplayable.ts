import { pitchAt, type Instrument } from '../../neck';
import type { PlayedNote } from './types';

/** Why a note cannot be played on an instrument; null when it can. */
export function unplayable(instrument: Instrument, note: PlayedNote): string | null {
	const { string, fret, midi } = note;
	const highest = instrument.frets - instrument.capo;
	if (string !== undefined && fret !== undefined) {
		if (string > instrument.open.length || fret > highest) {
			return `String ${string}, fret ${fret} is not on this instrument: it has ${instrument.open.length} strings and ${highest} frets.`;
		}
		const sounds = pitchAt(instrument, { string, fret });
		return sounds === midi
			? null
			: `String ${string}, fret ${fret} sounds ${sounds}, not ${midi}: leave the place out or mend the pitch.`;
	}
	const lowest = Math.min(...instrument.open) + instrument.capo;
	const top = Math.max(...instrument.open) + instrument.frets;
	if (midi >= lowest && midi <= top) return null;
	return `Pitch ${midi} is not on this instrument: it reaches from ${lowest} to ${top}.`;
}
