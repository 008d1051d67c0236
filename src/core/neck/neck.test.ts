import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import {
	buildInstrument,
	fretWire,
	highestFret,
	instrumentOf,
	inWindow,
	isPosition,
	lastPosition,
	parseTuning,
	pitchAt,
	standardGuitar,
	TUNING_IDS,
	windowPlaces
} from '.';

describe('instruments', () => {
	it('has standard tuning from the thin string', () => {
		const guitar = standardGuitar();
		expect(guitar.open).toEqual([64, 59, 55, 50, 45, 40]);
		expect(guitar.labels).toEqual(['E', 'B', 'G', 'D', 'A', 'E']);
		expect(pitchAt(guitar, { string: 2, fret: 6 })).toBe(65);
	});

	it('reads presets, pitches and refuses the rest', () => {
		for (const id of TUNING_IDS) expect(parseTuning(id), id).not.toBeNull();
		expect(parseTuning('Open D')?.open).toEqual([62, 57, 54, 50, 45, 38]);
		expect(parseTuning('D2 A2 D3 F♯3 A3 D4')?.open).toEqual([62, 57, 54, 50, 45, 38]);
		for (const text of ['', 'E2 A2 D3', 'E A D G B E', 'toString'])
			expect(parseTuning(text)).toBeNull();
	});

	it('counts frets from the capo', () => {
		const guitar = buildInstrument('standard', 22, 3);
		if (!guitar) throw new Error('no guitar');
		expect(highestFret(guitar)).toBe(19);
		expect(lastPosition(guitar)).toBe(16);
		expect(pitchAt(guitar, { string: 1, fret: 0 })).toBe(67);
	});

	it('follows the chart’s headers and reports a tuning that does not read', () => {
		expect(instrumentOf(parseChart('tuning: open-d\ncapo: 2\n| D |')).instrument).toMatchObject({
			name: 'open-d',
			capo: 2
		});
		const { instrument, diagnostic } = instrumentOf(parseChart('tuning: nonsense\n| D |'));
		expect(instrument.name).toBe('standard');
		expect(diagnostic).toMatchObject({ line: 1, column: 9, length: 8, severity: 'error' });
	});
});

describe('windows', () => {
	const guitar = standardGuitar();

	it('reaches one fret back and one on from four fingers', () => {
		const places = windowPlaces(guitar, 6).filter((place) => place.string === 3);
		expect(places.map((place) => place.fret)).toEqual([5, 6, 7, 8, 9, 10]);
		expect(places.map((place) => place.reach)).toEqual([true, false, false, false, false, true]);
		expect(places.map((place) => place.finger)).toEqual([1, 1, 2, 3, 4, 4]);
	});

	it('holds open strings in position 1 only, without a finger and without a reach', () => {
		const open = windowPlaces(guitar, 1).filter((place) => place.fret === 0);
		expect(open).toHaveLength(6);
		expect(open.every((place) => place.finger === null && !place.reach)).toBe(true);
		expect(windowPlaces(guitar, 2).some((place) => place.fret === 0)).toBe(false);
	});

	it('stays on the neck', () => {
		expect(isPosition(guitar, 0)).toBe(false);
		expect(isPosition(guitar, 19)).toBe(true);
		expect(isPosition(guitar, 20)).toBe(false);
		expect(Math.max(...windowPlaces(guitar, 19).map((place) => place.fret))).toBe(22);
	});

	it('holds exactly the places that lie in it, each sounding its pitch, in any tuning', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...TUNING_IDS),
				fc.integer({ min: 12, max: 24 }),
				fc.integer({ min: 0, max: 5 }),
				fc.nat(30),
				(tuning, frets, capo, wish) => {
					const instrument = buildInstrument(tuning, frets, capo);
					if (!instrument) throw new Error('no instrument');
					const position = 1 + (wish % lastPosition(instrument));
					const places = windowPlaces(instrument, position);
					const count =
						instrument.open.length * Math.min(6, highestFret(instrument) - position + 2);
					expect(places).toHaveLength(count);
					for (const place of places) {
						expect(inWindow(instrument, position, place)).toBe(true);
						expect(place.midi).toBe(pitchAt(instrument, place));
					}
				}
			)
		);
	});

	it('is drawn to scale: the twelfth wire halves the string', () => {
		expect(fretWire(0)).toBe(0);
		expect(fretWire(12)).toBeCloseTo(0.5, 12);
		expect(fretWire(2) - fretWire(1)).toBeLessThan(fretWire(1));
	});
});
