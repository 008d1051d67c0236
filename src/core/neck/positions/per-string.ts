import { nameOver, type Scale } from '../../harmony';
import { degreeOver, parseNote } from '../../pitch';
import { comfortOf, widestMm } from '../hand';
import { highestFret, pitchAt, type Instrument } from '../instrument';
import { lastPosition } from '../window';
import { boxes } from './box';
import { fingerRows } from './hands';
import { scaleNoteAt, toPosition, type Family, type Position, type PositionNote } from './types';

/** The next scale pitch above a pitch. */
function nextPitch(scale: Scale, midi: number): number {
	let pitch = midi + 1;
	while (!scaleNoteAt(scale, pitch)) pitch++;
	return pitch;
}

type Climb = {
	readonly instrument: Instrument;
	readonly scale: Scale;
	readonly family: Family;
	/** How many notes each string takes, from the starting string on. */
	readonly counts: readonly number[];
	readonly start: { readonly string: number; readonly fret: number };
};

/** A note of a layout before it is fingered. */
type Laid = { readonly fret: number; readonly midi: number } & Pick<
	PositionNote,
	'name' | 'degree' | 'passing'
>;

/**
 * Fingers rows of notes as one layout; null where the hand or a finger does not get there.
 * @param rows notes of each string, the thickest first
 */
function layout(
	{ instrument, family }: Pick<Climb, 'instrument' | 'family'>,
	id: string,
	rows: readonly { readonly string: number; readonly notes: readonly Laid[] }[]
): Position | null {
	if (rows.some(({ notes }) => comfortOf(widestMm(instrument, notes), instrument.hand) === 'far'))
		return null;
	const frets = rows.map(({ string, notes }) => ({ string, frets: notes.map(({ fret }) => fret) }));
	const held = fingerRows(frets);
	if (!held) return null;
	const last = highestFret(instrument);
	if (frets.some((row) => row.frets[0]! < 0 || row.frets[row.frets.length - 1]! > last))
		return null;
	const notes = rows.flatMap(({ string, notes: own }, r) =>
		own.map(({ fret, ...note }, n): PositionNote => {
			const reach = fret - own[0]!.fret > 3 && n === own.length - 1;
			return { string, fret, ...note, finger: held.fingers[r]![n]!, reach };
		})
	);
	const shifts = held.moves.map((row) =>
		notes.findIndex(({ string }) => string === rows[row]!.string)
	);
	const position = Math.min(lastPosition(instrument), held.position);
	return { ...toPosition(family, id, position, notes), shifts };
}

/** Lays consecutive scale notes out string by string; null where the neck or the hand ends. */
function climb(frame: Climb): Position | null {
	const { instrument, scale, counts, start } = frame;
	const rows: { string: number; notes: Laid[] }[] = [];
	let pitch = pitchAt(instrument, start);
	for (let string = start.string, i = 0; string >= 1; string--, i++) {
		const open = pitchAt(instrument, { string, fret: 0 });
		const notes: Laid[] = [];
		for (let n = 0; n < counts[i]!; n++) {
			const note = scaleNoteAt(scale, pitch);
			if (!note) return null;
			notes.push({ fret: pitch - open, midi: pitch, name: note.name, degree: note.degree });
			pitch = nextPitch(scale, pitch);
		}
		if (notes[0]!.fret < 0 || notes[notes.length - 1]!.fret > highestFret(instrument)) return null;
		rows.push({ string, notes });
	}
	return layout(frame, `${start.string}-${start.fret}`, rows);
}

/** The passing note between two box notes of one string, from the lower, by how far they are apart. */
const BETWEEN: Record<number, number> = { 2: 1, 3: 2, 4: 2 };

/**
 * Boxes of a five-note scale filled to three notes a string: between two notes of a string a passing note is
 * played, the semitone between a whole tone (fingers 1 2 3), the one under the upper of a minor third (1 3
 * 4). Strings where two notes lie a semitone apart keep their two.
 */
export function filledBoxes(instrument: Instrument, scale: Scale): Position[] {
	if (scale.notes.length !== 5) return [];
	const frame = { instrument, family: 'n-per-string' as const };
	return boxes(instrument, scale).flatMap((box) => {
		const strings = [...new Set(box.notes.map(({ string }) => string))];
		const rows = strings.map((string) => {
			const own = box.notes.filter((note) => note.string === string);
			const step = own.length === 2 ? BETWEEN[own[1]!.fret - own[0]!.fret] : undefined;
			const passing = step ? [passingNote(scale, own[0]!, step)] : [];
			return { string, notes: [own[0]!, ...passing, ...own.slice(1)].map(bare) };
		});
		return layout(frame, `filled-${box.position}`, rows) ?? [];
	});
}

const bare = ({ fret, midi, name, degree, passing }: Laid): Laid => ({
	...{ fret, midi, name, degree },
	...(passing ? { passing } : {})
});

/** The note some semitones over a box note; it rises into the next. */
function passingNote(scale: Scale, { midi, fret }: PositionNote, step: number): Laid {
	const pitch = midi + step;
	const name = nameOver(pitch, { chord: null, scale, key: null }, pitch + 1);
	const note = parseNote(name);
	const degree = note ? degreeOver(scale.tonic, note) : name;
	return { fret: fret + step, midi: pitch, name, degree, passing: true };
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
	count = usualPerString(scale)
): Position[] {
	const string = instrument.open.length;
	const counts = new Array<number>(string).fill(count);
	const found: Position[] = [];
	for (let fret = 0; fret <= highestFret(instrument); fret++) {
		const start = { string, fret };
		if (!scaleNoteAt(scale, pitchAt(instrument, start))) continue;
		const position = climb({ instrument, scale, family: 'n-per-string', counts, start });
		if (position) found.push(position);
	}
	return found;
}

/**
 * Diagonals: three and two notes on alternate strings, climbing the neck from a root on one of the
 * two thickest strings.
 */
export function diagonals(instrument: Instrument, scale: Scale): Position[] {
	const strings = instrument.open.length;
	const found: Position[] = [];
	for (const string of [strings, strings - 1]) {
		const counts = Array.from({ length: string }, (_, i) => (i % 2 === 0 ? 3 : 2));
		for (let fret = 0; fret <= highestFret(instrument); fret++) {
			const start = { string, fret };
			if (pitchAt(instrument, start) % 12 !== scale.notes[0]!.pc) continue;
			const position = climb({ instrument, scale, family: 'diagonal', counts, start });
			if (position) found.push(position);
		}
	}
	return found;
}
