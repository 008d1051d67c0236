import { clamp } from '../../kernel';
import type { Scale } from '../../harmony';
import { highestFret, pitchAt, type Instrument } from '../instrument';
import { secondFret } from '../slide';
import { lastPosition } from '../window';
import { scaleNoteAt, toPosition, type Position, type PositionNote } from './types';

/** Scale notes across the strings on the given frets, each pitch once. Under a slide no finger counts. */
function across(instrument: Instrument, scale: Scale, frets: readonly number[]): PositionNote[] {
	const notes: PositionNote[] = [];
	for (let string = instrument.open.length; string >= 1; string--) {
		for (const fret of frets) {
			const midi = pitchAt(instrument, { string, fret });
			const note = scaleNoteAt(scale, midi);
			if (!note || notes.some((other) => other.midi === midi)) continue;
			notes.push({
				...{ string, fret, midi, name: note.name, degree: note.degree },
				...{ finger: null, reach: false }
			});
		}
	}
	return notes.sort((a, b) => a.midi - b.midi);
}

/**
 * What lies on one fret across the strings, for a slide; with `frets` 2 each fret together with the
 * neighbour (at most three frets on) that adds the most notes. Frets without a scale note are left out.
 */
export function singleFrets(instrument: Instrument, scale: Scale, frets: 1 | 2 = 1): Position[] {
	const found: Position[] = [];
	for (let fret = 0; fret <= highestFret(instrument); fret++) {
		const alone = across(instrument, scale, [fret]);
		if (alone.length === 0) continue;
		const index = clamp(fret, 1, lastPosition(instrument));
		if (frets === 1) {
			found.push(toPosition('single-fret', String(fret), index, alone));
			continue;
		}
		const other = secondFret(instrument, scale, fret);
		if (other !== null) {
			const notes = across(instrument, scale, [fret, other]);
			found.push(toPosition('single-fret', `${fret}-${other}`, index, notes));
		}
	}
	return found;
}
