import fc from 'fast-check';
import { expect } from 'vitest';
import {
	buildInstrument,
	fingersHold,
	type Instrument,
	pitchAt,
	type Shape,
	standardGuitar,
	stretchMm,
	TUNING_IDS,
	windowPlaces
} from '..';
import { parseChord } from '../../chord';

export const chord = (text: string) => {
	const found = parseChord(text);
	if (!found) throw new Error(text);
	return found;
};

export const instrument = (...args: Parameters<typeof buildInstrument>): Instrument => {
	const found = buildInstrument(...args);
	if (!found) throw new Error(String(args));
	return found;
};

export const guitar = standardGuitar();

export const ROOTS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];

const SUFFIXES = [
	'',
	'm',
	'7',
	'maj7',
	'm7',
	'm7b5',
	'dim7',
	'7alt',
	'9',
	'13',
	'm6',
	'5',
	'sus4',
	'aug',
	'mMaj7'
];

const ODD = [
	'C2 G2 D3 A3 E4 B4',
	'E2 A2 A2 D3 G3 B3',
	'G4 C4 E4 A4',
	'C2 C3 C4 C5',
	'A1 B1 C2 D2 E2'
];

export const anyChord = fc
	.tuple(fc.constantFrom(...ROOTS), fc.constantFrom(...SUFFIXES))
	.map(([r, s]) => chord(r + s));

export const anyInstrument = fc
	.tuple(
		fc.constantFrom(...TUNING_IDS, ...ODD),
		fc.integer({ min: 12, max: 24 }),
		fc.integer({ min: 0, max: 8 })
	)
	.map(([tuning, frets, capo]) => instrument(tuning, frets, capo));

export const told = (shape: Shape) =>
	shape.notes.map((note) => `${note.string}/${note.fret}:${note.finger}`).join(' ');

const isWay = ({ kind }: Shape): boolean => kind === 'path' || kind === 'octave';

const isSpread = ({ notes, fingerBase }: Shape): boolean => {
	// An open string takes no finger.
	const fretted = notes.filter(({ fret }) => fret > 0);
	const byFret = new Map(fretted.map(({ fret, finger }) => [fret, finger]));
	const fingers = [...byFret].sort(([a], [b]) => a - b).map(([, finger]) => finger ?? 0);
	const rises = fingers.every((finger, i) => i === 0 || finger > fingers[i - 1]);
	return rises && fingerBase === Math.min(...byFret.keys());
};

export const at = ({ notes }: { notes: readonly { string: number; fret: number }[] }) =>
	notes.map(({ string, fret }) => `${string}/${fret}`).join(' ');

export const extent = (frets: readonly number[]): [number, number] => [
	Math.min(...frets),
	Math.max(...frets)
];

/** A shape's notes with one more, fingered from its base, hold without a jump. */
export function holdsWith(
	notes: readonly Shape['notes'][number][],
	place: { string: number; fret: number; midi: number },
	base: number
): boolean {
	const finger = ({ fret }: { fret: number }) => (fret === 0 ? null : fret - base + 1);
	const all = [...notes, place].sort((a, b) => a.midi - b.midi);
	if (all.some((note) => (finger(note) ?? 1) < 0 || (finger(note) ?? 1) > 5)) return false;
	return fingersHold(
		all.map((note) => {
			const at = finger(note);
			return { ...note, finger: at === null ? null : Math.min(4, Math.max(1, at)) };
		})
	);
}

/** Everything that makes a shape playable and true, whatever its kind. */
export function expectPlayable(neck: Instrument, shape: Shape, position: number): void {
	shape.notes.forEach((note, i) => {
		expect(note.midi).toBe(pitchAt(neck, note));
		if (i > 0) expect(note.midi).toBeGreaterThan(shape.notes[i - 1].midi);
		const within = windowPlaces(neck, position).some(
			(p) => p.string === note.string && p.fret === note.fret
		);
		expect(within).toBe(true);
		expect(note.reach).toBe(note.fret > 0 && (note.fret < position || note.fret > position + 3));
		if (note.fret === 0) expect(note.finger).toBeNull();
		else {
			const finger = note.fret - shape.fingerBase + 1;
			// A spread hand gives each fret that it uses a finger, in order.
			if (isWay(shape) && note.finger !== Math.min(4, Math.max(1, finger))) {
				expect(isSpread(shape), told(shape)).toBe(true);
				return;
			}
			if (!(isWay(shape) && isSpread(shape))) {
				expect(finger).toBeGreaterThanOrEqual(0);
				expect(finger).toBeLessThanOrEqual(5);
			}
			expect(note.finger).toBe(Math.min(4, Math.max(1, finger)));
		}
	});
	if (!isSpread(shape)) expect(Math.abs(shape.fingerBase - position)).toBeLessThanOrEqual(1);
	expect(fingersHold(shape.notes), told(shape)).toBe(true);
	for (const [i, j] of shape.rolls) {
		const [a, b] = [shape.notes[i], shape.notes[j]];
		expect([j - i, Math.abs(a.string - b.string), a.fret - b.fret]).toEqual([1, 1, 0]);
	}
	const sweep = shape.notes.every((n, i) => i === 0 || n.string === shape.notes[i - 1].string - 1);
	expect(shape.sweepable).toBe(sweep && shape.notes.length > 2);
	const frets = shape.notes.map((note) => note.fret).filter((fret) => fret > 0);
	const mm = frets.length ? stretchMm(neck, Math.min(...frets), Math.max(...frets)) : 0;
	expect(shape.stretchMm).toBeCloseTo(mm, 0);
}
