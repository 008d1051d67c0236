import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildInstrument, pitchAt, standardGuitar, type Place } from './instrument';
import { placeLine } from './place-line';
import { inWindow } from './window';

const guitar = standardGuitar();

describe('places for a line of pitches', () => {
	it('gives each pitch where it sounds, inside the position wherever that holds it', () => {
		const pitch = fc.integer({ min: 40, max: 86 });
		fc.assert(
			fc.property(
				fc.array(pitch, { minLength: 1, maxLength: 12 }),
				fc.integer({ min: 1, max: 19 }),
				(pitches, position) => {
					const places = placeLine(guitar, position, pitches);
					expect(places).toHaveLength(pitches.length);
					places.forEach((place, i) => {
						expect(place && pitchAt(guitar, place)).toBe(pitches[i]);
						const held = [1, 2, 3, 4, 5, 6].some((string) =>
							inWindow(guitar, position, {
								string,
								fret: pitches[i] - guitar.open[string - 1]
							})
						);
						// The line may leave the place for a smoother hand only where the place cannot hold the note.
						if (held && place && pitches.length === 1)
							expect(inWindow(guitar, position, place)).toBe(true);
					});
				}
			)
		);
	});

	it.each<[string, number, number[], Place[]]>([
		[
			'a scale in one place',
			5,
			[57, 60, 62, 64, 67],
			[
				{ string: 4, fret: 7 },
				{ string: 3, fret: 5 },
				{ string: 3, fret: 7 },
				{ string: 2, fret: 5 },
				{ string: 2, fret: 8 }
			]
		],
		[
			'open strings at the nut',
			1,
			[40, 45, 50],
			[
				{ string: 6, fret: 0 },
				{ string: 5, fret: 0 },
				{ string: 4, fret: 0 }
			]
		]
	])('plays %s', (_, position, pitches, places) => {
		expect(placeLine(guitar, position, pitches)).toEqual(places);
	});

	it('outside the position takes the place that is nearest to it', () => {
		// F♯5 lies two frets over it on the first string, and seven on the second.
		expect(placeLine(guitar, 9, [78])).toEqual([{ string: 1, fret: 14 }]);
		// A2 lies four frets under it on the sixth string; the open fifth is further away.
		expect(placeLine(guitar, 9, [45])).toEqual([{ string: 6, fret: 5 }]);
	});

	it('leaves out what the instrument does not have and goes on', () => {
		const bass = buildInstrument('bass');
		if (!bass) throw new Error('no bass');
		expect(placeLine(bass, 3, [31, 90, 33])).toEqual([
			{ string: 4, fret: 3 },
			null,
			{ string: 4, fret: 5 }
		]);
		expect(placeLine(guitar, 5, [])).toEqual([]);
		expect(placeLine(guitar, 5, [10])).toEqual([null]);
	});
});
