import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChord, toneAt, type Chord } from '../../chord';
import { fingersHold } from '../fingers';
import { comfortOf, MEDIUM_HAND, widestMm } from '../hand';
import { buildInstrument, pitchAt, standardGuitar, TUNING_IDS } from '../instrument';
import { lastPosition } from '../window';
import { arpeggioShapes, type Shape } from '.';

const guitar = standardGuitar();
const ROOTS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];
const QUALITIES = ['', 'm', '7', 'm7', 'maj7', 'm7b5', 'dim7', '6', '9', '7alt', 'sus4'];

const chordOf = (symbol: string): Chord => {
	const chord = parseChord(symbol);
	if (!chord) throw new Error(`unreadable: ${symbol}`);
	return chord;
};
const joined = (shapes: readonly Shape[]) => shapes.filter(({ kind }) => kind === 'joined');
const written = ({ notes }: Shape) =>
	notes.map(({ string, fret }) => `${string}:${fret}`).join(' ');
const isClimb = ({ notes }: Shape) =>
	notes.every((note, i) => note.string === notes[i - (i % 2)].string) &&
	new Set(notes.map(({ string }) => string)).size * 2 === notes.length;

/** The notes between two moves of the hand. */
function parts({ notes, shifts }: Shape) {
	const cuts = [0, ...shifts.map(({ afterNote }) => afterNote + 1), notes.length];
	return cuts.slice(1).map((end, i) => notes.slice(cuts[i], end));
}

describe('shapes over several places', () => {
	it('ascend, hold in each place, and tell every move of the hand', () => {
		const anyChord = fc
			.constantFrom(...ROOTS)
			.chain((root) => fc.constantFrom(...QUALITIES).map((suffix) => chordOf(root + suffix)));
		fc.assert(
			fc.property(
				fc.constantFrom(...TUNING_IDS),
				anyChord,
				fc.integer({ min: 1, max: 19 }),
				(id, chord, position) => {
					const neck = buildInstrument(id);
					if (!neck || position > lastPosition(neck)) return;
					for (const shape of joined(arpeggioShapes(neck, chord, position))) {
						const told = `${chord.symbol} ${written(shape)}`;
						const { notes, shifts } = shape;
						notes.forEach((note, i) => {
							expect(pitchAt(neck, note), told).toBe(note.midi);
							expect(toneAt(chord, note.midi)?.role, told).toBe(note.role);
							if (i > 0) expect(note.midi, told).toBeGreaterThan(notes[i - 1].midi);
						});
						expect(shifts.length, told).toBeGreaterThan(0);
						for (const { afterNote, string, finger, frets } of shifts) {
							const after = notes[afterNote + 1];
							expect([after.string, after.finger], told).toEqual([string, finger]);
							expect(frets, told).not.toBe(0);
							// Carried on, the hand moves along a string.
							if (!isClimb(shape)) expect(notes[afterNote].string, told).toBe(string);
						}
						let widest = 0;
						for (const part of parts(shape)) {
							expect(part.length, told).toBeGreaterThan(0);
							expect(fingersHold(part), told).toBe(true);
							widest = Math.max(widest, widestMm(neck, part));
						}
						expect(shape.stretchMm, told).toBeCloseTo(widest, 0);
						expect(comfortOf(widest, MEDIUM_HAND), told).toBe(shape.comfort);
						expect(shape.comfort, told).not.toBe('far');
					}
				}
			),
			{ numRuns: 150 }
		);
	});

	it('carry every major, minor and dominant chord on into a next place, in every key', () => {
		for (const root of ROOTS) {
			for (const suffix of ['', 'm', '7', 'm7', 'maj7']) {
				const chord = chordOf(root + suffix);
				for (let position = 2; position <= 12; position++) {
					const own = joined(arpeggioShapes(guitar, chord, position)).filter(
						(s) => s.shifts.length === 1
					);
					const where = `${chord.symbol} in ${position}`;
					expect(own.length, where).toBeGreaterThan(0);
					expect(new Set(own.map(written)).size, where).toBe(own.length);
					for (const { notes, shifts } of own) {
						expect(shifts[0].frets, where).toBeGreaterThanOrEqual(1);
						expect(
							notes.some(({ fret }) => fret > position + 3),
							where
						).toBe(true);
					}
				}
			}
		}
	});

	it('climb two a string: a table over the fret of the root', () => {
		const CLIMBS: readonly [suffix: string, position: number, steps: string][] = [
			['maj7', 8, '0,4 2,6 2,6 4,8 5,9 7,11'],
			['7', 8, '0,4 2,5 2,6 4,7 5,9 7,10'],
			['m7', 8, '0,3 2,5 2,5 4,7 5,8 7,10']
		];
		for (const [suffix, position, steps] of CLIMBS) {
			for (const root of ROOTS.slice(0, 5)) {
				const chord = chordOf(root + suffix);
				const fret = position + ROOTS.indexOf(root);
				const wanted = steps
					.split(' ')
					.flatMap((pair, i) => pair.split(',').map((step) => `${6 - i}:${Number(step) + fret}`))
					.filter((place) => Number(place.split(':')[1]) <= 22)
					.join(' ');
				const found = joined(arpeggioShapes(guitar, chord, fret))
					.filter(isClimb)
					.map(written);
				const whole = wanted.split(' ').length % 2 === 0 ? wanted : wanted.replace(/ \S+$/, '');
				expect(found[0], chord.symbol).toBe(whole);
			}
		}
		const found = joined(arpeggioShapes(guitar, chordOf('Cmaj7'), 8)).map(written);
		expect(found).toContain('6:8 6:12 5:10 5:14 4:10 4:14 3:12 3:16 2:13 2:17 1:15 1:19');
	});

	it('are not told under a slide, which lies where it lies', () => {
		const bar = { ...guitar, slide: guitar.open.map((_, i) => [i + 1]) };
		expect(joined(arpeggioShapes(bar, chordOf('G'), 3))).toEqual([]);
	});
});
