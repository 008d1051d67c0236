import type { Scale } from '../../harmony';
import { highestFret, pitchAt, type Instrument } from '../instrument';
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

const kinds = (notes: readonly PositionNote[]): number =>
	new Set(notes.map((note) => note.midi % 12)).size;

/** How far a second fret may lie from the first. */
const NEAR = 3;

/**
 * What lies on one fret across the strings, for a slide; with `frets` 2 each fret together with the
 * neighbour (at most three frets on) that adds the most notes. Frets without a scale note are left out.
 */
export function singleFrets(instrument: Instrument, scale: Scale, frets: 1 | 2 = 1): Position[] {
	const found: Position[] = [];
	for (let fret = 0; fret <= highestFret(instrument); fret++) {
		const alone = across(instrument, scale, [fret]);
		if (alone.length === 0) continue;
		const index = Math.min(lastPosition(instrument), Math.max(1, fret));
		if (frets === 1) {
			found.push(toPosition('single-fret', String(fret), index, alone));
			continue;
		}
		const second = [1, 2, NEAR]
			.map((by) => fret + by)
			.filter((other) => other <= highestFret(instrument))
			.map((other) => ({ other, notes: across(instrument, scale, [fret, other]) }))
			.sort((a, b) => kinds(b.notes) - kinds(a.notes) || b.notes.length - a.notes.length)
			.at(0);
		if (second) {
			found.push(toPosition('single-fret', `${fret}-${second.other}`, index, second.notes));
		}
	}
	return found;
}
