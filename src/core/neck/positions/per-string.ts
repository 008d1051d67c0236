import type { Scale } from '../../harmony';
import { fingersHold } from '../fingers';
import { comfortOf, MEDIUM_HAND, widestMm, type Hand } from '../hand';
import { highestFret, pitchAt, type Instrument } from '../instrument';
import { lastPosition } from '../window';
import { scaleNoteAt, toPosition, type Family, type Position, type PositionNote } from './types';

/** The next scale pitch above a pitch. */
function nextPitch(scale: Scale, midi: number): number {
	let pitch = midi + 1;
	while (!scaleNoteAt(scale, pitch)) pitch++;
	return pitch;
}

/**
 * Fingers for two to four notes on one string: index on the lowest, little finger on the highest
 * when it is three frets away or more, the middle by distance.
 */
function fingersOnString(frets: readonly number[]): (number | null)[] {
	// With an open string the hand stays in the first position.
	const low = frets[0] === 0 ? 1 : frets[0];
	const span = Math.max(low, frets[frets.length - 1]) - low;
	return frets.map((fret) => {
		if (fret === 0) return null;
		const offset = fret - low;
		if (span <= 3) return offset + 1;
		if (offset === 0) return 1;
		if (offset === span) return 4;
		return offset >= 3 ? 3 : 2;
	});
}

type Climb = {
	readonly instrument: Instrument;
	readonly scale: Scale;
	readonly family: Family;
	readonly hand: Hand;
	/** How many notes each string takes, from the starting string on. */
	readonly counts: readonly number[];
	readonly start: { readonly string: number; readonly fret: number };
};

/** Lays consecutive scale notes out string by string; null where the neck or the hand ends. */
function climb({ instrument, scale, family, hand, counts, start }: Climb): Position | null {
	const notes: PositionNote[] = [];
	let pitch = pitchAt(instrument, start);
	for (let string = start.string, i = 0; string >= 1; string--, i++) {
		const open = pitchAt(instrument, { string, fret: 0 });
		const frets: number[] = [];
		const pitches: number[] = [];
		for (let n = 0; n < counts[i]; n++) {
			frets.push(pitch - open);
			pitches.push(pitch);
			pitch = nextPitch(scale, pitch);
		}
		if (frets[0] < 0 || frets[frets.length - 1] > highestFret(instrument)) return null;
		if (
			comfortOf(
				widestMm(
					instrument,
					frets.map((fret) => ({ fret }))
				),
				hand
			) === 'far'
		)
			return null;
		const fingers = fingersOnString(frets);
		// Fingers are distinct and in order as long as the frets lie within the hand.
		if (fingers.some((finger) => finger !== null && finger > 4)) return null;
		frets.forEach((fret, n) => {
			const note = scaleNoteAt(scale, pitches[n]);
			if (!note) return;
			const reach = frets[frets.length - 1] - frets[0] > 3 && n === frets.length - 1 && fret > 0;
			const { name, degree } = note;
			notes.push({ string, fret, midi: pitches[n], name, degree, finger: fingers[n], reach });
		});
	}
	// In some tunings one finger would have to jump from a string to the next: no hand plays that.
	if (!fingersHold(notes)) return null;
	const first = notes[0].fret;
	const position = Math.min(lastPosition(instrument), Math.max(1, first));
	return toPosition(family, `${start.string}-${start.fret}`, position, notes);
}

/** How many notes a string takes by default: three of a seven-note scale, two of a five-note scale. */
export const usualPerString = (scale: Scale): number => (scale.notes.length <= 5 ? 2 : 3);

/**
 * The same number of notes on every string, one pattern from each scale note of the thickest string.
 * Patterns that a hand cannot stretch on some string are left out.
 * @param count notes a string, 2 … 4
 */
export function perString(
	instrument: Instrument,
	scale: Scale,
	count = usualPerString(scale),
	hand: Hand = MEDIUM_HAND
): Position[] {
	const string = instrument.open.length;
	const counts = new Array<number>(string).fill(count);
	const found: Position[] = [];
	for (let fret = 0; fret <= highestFret(instrument); fret++) {
		const start = { string, fret };
		if (!scaleNoteAt(scale, pitchAt(instrument, start))) continue;
		const position = climb({ instrument, scale, family: 'n-per-string', hand, counts, start });
		if (position) found.push(position);
	}
	return found;
}

/**
 * Diagonals: three and two notes on alternate strings, climbing the neck from a root on one of the
 * two thickest strings.
 */
export function diagonals(
	instrument: Instrument,
	scale: Scale,
	hand: Hand = MEDIUM_HAND
): Position[] {
	const strings = instrument.open.length;
	const found: Position[] = [];
	for (const string of [strings, strings - 1]) {
		const counts = Array.from({ length: string }, (_, i) => (i % 2 === 0 ? 3 : 2));
		for (let fret = 0; fret <= highestFret(instrument); fret++) {
			const start = { string, fret };
			if (pitchAt(instrument, start) % 12 !== scale.notes[0].pc) continue;
			const position = climb({ instrument, scale, family: 'diagonal', hand, counts, start });
			if (position) found.push(position);
		}
	}
	return found;
}
