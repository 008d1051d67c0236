import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildScale, SCALE_NAMES } from '../../harmony';
import { parseNote } from '../../pitch';
import {
	boxAt,
	buildInstrument,
	FAMILIES,
	fingersHold,
	highestFret,
	lastPosition,
	pitchAt,
	positionsOf,
	reachesAt,
	standardGuitar,
	TUNING_IDS,
	windowPlaces,
	type Instrument
} from '..';
import { runs } from '../../test-runs';

const scale = (tonic: string, name: string) => {
	const note = parseNote(tonic);
	const found = note && buildScale(note, name);
	if (!found) throw new Error(`${tonic} ${name}`);
	return found;
};
const instrument = (...args: Parameters<typeof buildInstrument>): Instrument => {
	const found = buildInstrument(...args);
	if (!found) throw new Error(String(args));
	return found;
};
const guitar = standardGuitar();
const ROOTS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];
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
		['C', 'major', '1 5 7 10 12 14 17 19']
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

	it('are the positions with locally fewest reaches', () => {
		const inUse = scale('Eb', 'dorian');
		const at = (w: number) =>
			w < 1 || w > lastPosition(guitar) ? Infinity : reachesAt(guitar, inUse, w);
		const found = positionsOf(guitar, inUse, 'box').map((box) => box.position);
		for (let w = 1; w <= lastPosition(guitar); w++) {
			let end = w;
			while (at(end + 1) === at(w)) end++;
			const minimum = at(w - 1) > at(w) && at(end + 1) > at(w);
			expect(found.includes(w), String(w)).toBe(minimum);
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

	it('leaves out a pattern in which one finger would jump between strings of one pitch', () => {
		const doubled = buildInstrument('E2 A2 A2 D3 G3 B3', 12, 2);
		if (!doubled) throw new Error('no instrument');
		const nine = scale('A', '1 2 b3 4 5 b7');
		const found = positionsOf(doubled, nine, 'n-per-string', { notesPerString: 2 });
		expect(found.map((entry) => entry.id)).not.toContain('n-per-string-6-1');
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

describe('patterns', () => {
	it('put three notes of a seven-note scale on each string, none left out', () => {
		const found = positionsOf(guitar, scale('G', 'major'), 'n-per-string');
		const first = found.find((entry) => entry.id === 'n-per-string-6-3');
		expect(first?.notes.map((note) => `${note.string}/${note.fret}`).join(' ')).toBe(
			'6/3 6/5 6/7 5/3 5/5 5/7 4/4 4/5 4/7 3/4 3/5 3/7 2/5 2/7 2/8 1/5 1/7 1/8'
		);
		for (const { notes } of found) {
			expect(notes).toHaveLength(18);
			for (let i = 1; i < notes.length; i++) {
				const step = notes[i].midi - notes[i - 1].midi;
				expect(step).toBeLessThanOrEqual(2);
			}
		}
	});

	it('put two notes of a five-note scale on each string; three need a hand that stretches', () => {
		const pentatonic = scale('A', 'minor pentatonic');
		expect(positionsOf(guitar, pentatonic, 'n-per-string')[1].notes).toHaveLength(12);
		const wide = (comfortableMm: number) =>
			positionsOf(guitar, pentatonic, 'n-per-string', {
				notesPerString: 3,
				hand: { comfortableMm }
			}).length;
		expect(wide(85)).toBeLessThan(wide(125));
	});

	it('climb diagonally from a root, three and two', () => {
		const [first] = positionsOf(guitar, scale('A', 'minor pentatonic'), 'diagonal');
		expect(first.notes.map((note) => `${note.string}/${note.fret}`).join(' ')).toBe(
			'6/5 6/8 6/10 5/7 5/10 4/7 4/10 4/12 3/9 3/12 2/10 2/13 2/15 1/12 1/15'
		);
		expect(first.notes[0].degree).toBe('1');
	});

	it('grow pockets round the root, note by note', () => {
		const pockets = positionsOf(guitar, scale('A', 'mixolydian'), 'pocket');
		const at = (size: number) => pockets.find((entry) => entry.id === `pocket-2-10-${size}`)?.notes;
		const degrees = (size: number) =>
			at(size)
				?.map((note) => note.degree)
				.join(' ');
		expect([3, 4, 5].map(degrees)).toEqual(['1 2 3', 'b7 1 2 3', '6 b7 1 2 3']);
		for (const { notes } of pockets) {
			expect(notes.every((note) => note.string <= 3)).toBe(true);
			expect(notes.some((note) => note.degree === '1')).toBe(true);
		}
	});

	it('lay one fret across an open tuning, or two', () => {
		const slide = instrument('open-d');
		const names = (id: string, notesPerString: number) =>
			positionsOf(slide, scale('D', 'mixolydian'), 'single-fret', { notesPerString })
				.find((entry) => entry.id === id)
				?.notes.map((note) => note.name)
				.join(' ');
		expect(names('single-fret-5', 1)).toBe('G D G B D G');
		expect(names('single-fret-12', 1)).toBe('D A D F# A D');
		expect(names('single-fret-0-2', 2)).toBe('D E A B D E F# A B D E');
	});
});
