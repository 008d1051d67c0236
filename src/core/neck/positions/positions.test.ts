import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SCALE_NAMES } from '../../harmony';
import {
	boxAt,
	FAMILIES,
	fingersHold,
	highestFret,
	lastPosition,
	pitchAt,
	positionsOf,
	reachesAt,
	TUNING_IDS,
	windowPlaces
} from '..';
import { runs } from '../../test-runs';
import { guitar, instrument, ROOTS, scale } from '../test-values';

/** Odd ones: fifths, a unison pair, a re-entrant thin string, wide and narrow steps. */
const ODD = [
	'C2 G2 D3 A3 E4 B4',
	'E2 A2 A2 D3 G3 B3',
	'G4 C4 E4 A4',
	'C2 C3 C4 C5',
	'A1 B1 C2 D2 E2'
];
const anyScale = fc
	.tuple(fc.constantFrom(...ROOTS), fc.constantFrom(...SCALE_NAMES))
	.map(([tonic, name]) => scale(tonic, name));
const anyInstrument = fc
	.tuple(
		fc.constantFrom(...TUNING_IDS, ...ODD),
		fc.integer({ min: 12, max: 24 }),
		fc.integer({ min: 0, max: 8 })
	)
	.map(([tuning, frets, capo]) => instrument(tuning, frets, capo));

describe('boxes', () => {
	it.each([
		['A', 'minor pentatonic', '2 5 7 10 12 14 17 19'],
		['Bb', 'minor pentatonic', '1 3 6 8 11 13 15 18'],
		// By the count of reaches the open place of E is no box of its own: fret 5 lies outside it.
		['E', 'minor pentatonic', '2 5 7 9 12 14 17 19'],
		['C', 'major', '1 2 5 7 10 12 14 17 19'],
		['G', 'mixolydian', '1 2 5 7 10 12 14 17 19'],
		['A', 'mixolydian pentatonic', '2 5 7 9 12 14 17 19']
	])('of %s %s start at %s', (tonic, name, positions) => {
		const found = positionsOf(guitar, scale(tonic, name), 'box');
		expect(found.map((box) => box.position).join(' ')).toBe(positions);
	});

	it('of minor pentatonic come five to an octave in standard tuning, two notes on every string', () => {
		for (const tonic of ROOTS) {
			const pentatonic = scale(tonic, 'minor pentatonic');
			const inner = positionsOf(guitar, pentatonic, 'box').filter(
				(box) => box.position > 1 && box.position < lastPosition(guitar) - 1
			);
			const places = inner.map((box) => box.position);
			for (const from of [3, 4, 5, 6]) {
				expect(
					places.filter((p) => p >= from && p < from + 12),
					tonic
				).toHaveLength(5);
			}
			for (const box of inner) {
				for (let string = 1; string <= 6; string++) {
					expect(box.notes.filter((note) => note.string === string)).toHaveLength(2);
				}
				expect(
					box.notes.every((note) => !note.reach || note.finger === 1 || note.finger === 4)
				).toBe(true);
			}
		}
	});

	it('hold every pitch under the fingers and all between, once each, inside the window', () => {
		fc.assert(
			fc.property(anyInstrument, anyScale, fc.integer({ min: 1, max: 21 }), (neck, inUse, wish) => {
				const position = Math.min(wish, lastPosition(neck));
				if (position < 1) return;
				const box = boxAt(neck, inUse, position);
				const window = windowPlaces(neck, position).filter((place) =>
					inUse.notes.some((note) => note.pc === place.midi % 12)
				);
				const under = window.filter((place) => !place.reach).map((place) => place.midi);
				if (!box) return expect(under).toEqual([]);
				const pitches = box.notes.map((note) => note.midi);
				expect(pitches).toEqual([...new Set(pitches)].sort((a, b) => a - b));
				const [low, high] = [pitches[0], pitches[pitches.length - 1]];
				const wanted = new Set(window.map((p) => p.midi).filter((m) => m >= low && m <= high));
				expect(pitches).toEqual([...wanted].sort((a, b) => a - b));
				for (const midi of under) expect(pitches).toContain(midi);
				for (const note of box.notes) {
					expect(window.some((p) => p.string === note.string && p.fret === note.fret)).toBe(true);
					expect(note.reach).toBe(
						note.fret > 0 && (note.fret < position || note.fret > position + 3)
					);
					if (note.fret === 0) expect(note.finger).toBeNull();
					else if (!note.reach) expect(note.finger).toBe(note.fret - position + 1);
					// A reach is used only where no finger has the pitch.
					if (note.reach) expect(under).not.toContain(note.midi);
				}
			}),
			{ numRuns: runs(300) }
		);
	});

	it('are those with locally fewest reaches, and the one on the tonic, in every octave', () => {
		for (const id of TUNING_IDS) {
			for (const [i, tonic] of ROOTS.entries()) {
				for (const name of ['major', 'dorian', 'minor pentatonic', 'mixolydian pentatonic']) {
					const inUse = scale(tonic, name);
					const neck = instrument(id, 22 + (i % 3));
					// Reaches far from both ends of a long neck.
					const long = instrument(id, 48);
					const at = (w: number) => reachesAt(long, inUse, 12 + (((w % 12) + 12) % 12));
					const found = positionsOf(neck, inUse, 'box').map((box) => box.position);
					const tonicFret = (inUse.notes[0].pc - neck.open[neck.open.length - 1] + 144) % 12;
					const where = `${id} ${tonic} ${name}`;
					for (let w = 2; w <= lastPosition(neck); w++) {
						if (w + 12 <= lastPosition(neck)) {
							expect(found.includes(w), `${where} ${w}`).toBe(found.includes(w + 12));
						}
						let [low, high] = [w, w];
						while (at(low - 1) === at(w) && w - low < 12) low--;
						while (at(high + 1) === at(w) && high - w < 12) high++;
						const minimum = at(low - 1) > at(w) && at(high + 1) > at(w);
						const plateau = found.filter((p) => p >= low && p <= high);
						if (minimum && high <= lastPosition(neck) && low >= 2) {
							expect(plateau, `${where} ${w}`).toHaveLength(1);
						}
						// Any other box has the tonic under the first or the second finger.
						const onTonic = [0, 11].includes((w - tonicFret + 144) % 12);
						if (found.includes(w) && !onTonic) expect(minimum, `${where} ${w}`).toBe(true);
					}
					for (let f = 3; f <= lastPosition(neck); f++) {
						if (f % 12 !== tonicFret) continue;
						expect(found.includes(f) || found.includes(f - 1), `${where} at ${f}`).toBe(true);
					}
				}
			}
		}
	});

	it('move with the scale: n semitones are n frets', () => {
		const notesAt = (tonic: string, position: number) =>
			boxAt(guitar, scale(tonic, 'harmonic minor'), position)?.notes.map(
				(note) => `${note.string}/${note.fret - position}/${note.degree}/${note.finger}`
			);
		for (let n = 0; n < 12; n++) expect(notesAt(ROOTS[n], 3 + n)).toEqual(notesAt('C', 3));
	});
});

describe('every family', () => {
	it('shows only notes of the scale that exist, each pitch once, ascending, with possible fingers', () => {
		fc.assert(
			fc.property(
				anyInstrument,
				anyScale,
				fc.constantFrom(...FAMILIES),
				fc.constantFrom(undefined, 2, 3),
				(neck, inUse, family, notesPerString) => {
					for (const entry of positionsOf(neck, inUse, family, { notesPerString })) {
						expect(entry.family).toBe(family);
						expect(entry.position).toBeGreaterThanOrEqual(1);
						expect(entry.position).toBeLessThanOrEqual(lastPosition(neck));
						entry.notes.forEach((note, i) => {
							expect(note.fret).toBeGreaterThanOrEqual(0);
							expect(note.fret).toBeLessThanOrEqual(highestFret(neck));
							expect(note.midi).toBe(pitchAt(neck, note));
							expect(inUse.notes.find((n) => n.pc === note.midi % 12)).toMatchObject({
								name: note.name,
								degree: note.degree
							});
							expect(note.fret === 0 ? note.finger : (note.finger ?? 1)).toSatisfy(
								(finger: number | null) => finger === null || (finger >= 1 && finger <= 4)
							);
							if (i > 0) expect(note.midi).toBeGreaterThan(entry.notes[i - 1].midi);
							expect(note.fret).toBeGreaterThanOrEqual(entry.lowFret);
							expect(note.fret).toBeLessThanOrEqual(entry.highFret);
						});
						if (family === 'n-per-string' || family === 'diagonal' || family === 'pocket') {
							expect(fingersHold(entry.notes), entry.id).toBe(true);
						}
					}
				}
			),
			{ numRuns: runs(120) }
		);
	});

	it('fingers no pattern so that one finger jumps between strings of one pitch', () => {
		const doubled = instrument('E2 A2 A2 D3 G3 B3', 12, 2);
		const six = scale('A', '1 2 b3 4 5 b7');
		const found = positionsOf(doubled, six, 'n-per-string', { notesPerString: 2 });
		expect(found.length).toBeGreaterThan(0);
		for (const { id, notes } of found) expect(fingersHold(notes), id).toBe(true);
	});

	it('has ids of its own', () => {
		for (const family of FAMILIES) {
			const ids = positionsOf(guitar, scale('G', 'dorian'), family).map((entry) => entry.id);
			expect(new Set(ids).size).toBe(ids.length);
			expect(ids.length).toBeGreaterThan(0);
		}
	});
});
