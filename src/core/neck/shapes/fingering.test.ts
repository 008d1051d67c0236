import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChord } from '../../chord';
import { fingerJumps } from '../fingers';
import { pitchAt, standardGuitar } from '../instrument';
import { bestWay, play, type Layer, type Played } from './fingering';
import type { TonePlace } from './types';

const guitar = standardGuitar();
const tone = parseChord('C')?.tones[0];

function placeOf(string: number, fret: number): TonePlace {
	if (!tone) throw new Error('a chord has tones');
	return { string, fret, midi: pitchAt(guitar, { string, fret }), tone } as TonePlace;
}

describe('a place under a hand', () => {
	it('has the finger of its fret; outer fingers reach one fret out, and an open string needs none', () => {
		const at = (fret: number) => {
			const played = play(placeOf(3, fret), 5);
			return played && [played.finger, played.stretched];
		};
		expect([0, 3, 4, 5, 6, 7, 8, 9, 10].map(at)).toEqual([
			[null, false],
			null,
			[1, true],
			[1, false],
			[2, false],
			[3, false],
			[4, false],
			[4, true],
			null
		]);
	});
});

/** What a step from note to note costs, told in its own words. */
function stepCost(a: Played, b: Played): number {
	const strings = a.string - b.string;
	const cost = strings < 0 ? -25 * strings : strings > 1 ? 10 * (strings - 1) : 0;
	if (a.finger === null || a.finger !== b.finger || strings === 0) return cost;
	const rolls = a.fret === b.fret && Math.abs(strings) === 1;
	return cost + (rolls ? 8 : 20);
}

/** The least cost of all ways through some layers, by trying every one. */
function leastOf(layers: readonly Layer[]): number {
	let least = Infinity;
	const go = (i: number, last: Played | null, cost: number): void => {
		if (i === layers.length) {
			if (last) least = Math.min(least, cost);
			return;
		}
		if (!layers[i].required) go(i + 1, last, cost);
		for (const place of layers[i].places) {
			if (last && fingerJumps(last, place)) continue;
			const own = -1000 + (place.stretched ? 60 : 0);
			go(i + 1, place, cost + own + (last ? stepCost(last, place) : 0));
		}
	};
	go(0, null, 0);
	return least;
}

const layers = fc
	.array(
		fc.record({
			required: fc.boolean(),
			spots: fc.array(
				fc.record({ string: fc.integer({ min: 1, max: 6 }), fret: fc.integer({ min: 4, max: 9 }) }),
				{ minLength: 1, maxLength: 3 }
			)
		}),
		{ minLength: 1, maxLength: 5 }
	)
	.map((all) =>
		all.map(({ required, spots }): Layer => ({
			required,
			places: spots.flatMap(({ string, fret }) => play(placeOf(string, fret), 5) ?? [])
		}))
	);

describe('the best way through the tones', () => {
	it('costs what the cheapest of all ways costs, and is one of them', () => {
		fc.assert(
			fc.property(layers, (given) => {
				const found = bestWay(given);
				const least = leastOf(given);
				expect(found?.cost ?? Infinity).toBe(least);
				if (!found) return;
				const { notes } = found;
				const own = notes.reduce((sum, { stretched }) => sum - 1000 + (stretched ? 60 : 0), 0);
				const steps = notes.slice(1).reduce((sum, note, i) => sum + stepCost(notes[i], note), 0);
				expect(own + steps).toBe(least);
				const kept = given.filter(({ places }) => places.some((place) => notes.includes(place)));
				expect(given.filter(({ required }) => required).every((one) => kept.includes(one))).toBe(
					true
				);
			}),
			{ numRuns: 400 }
		);
	});
});
