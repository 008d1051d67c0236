import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Place } from '../instrument';
import { holdGrip } from './hold';

/** The cost of some fingers on some places, told in its own words; Infinity where no hand holds them so. */
function costOf(places: readonly Place[], fingers: readonly number[]): number {
	const stopped = places
		.map((place, i) => ({ ...place, finger: fingers[i] }))
		.filter(({ fret }) => fret > 0)
		.sort((a, b) => a.fret - b.fret || b.string - a.string);
	let cost = 0;
	stopped.forEach((here, i) => {
		const before = stopped[i - 1];
		if (!before) cost += here.finger - 1;
		else if (here.finger < before.finger) cost = Infinity;
		else if (here.finger > before.finger) {
			// Between neighbouring fingers lies a fret; one more is apart, less is close.
			const more = here.fret - before.fret - (here.finger - before.finger);
			cost += more > 1 ? Infinity : more === 1 ? 8 : -2 * more;
		}
	});
	const barres = [1, 2, 3, 4]
		.map((finger) => ({ finger, on: stopped.filter((one) => one.finger === finger) }))
		.filter(({ on }) => on.length > 1);
	for (const { finger, on } of barres) {
		const [thick, thin] = [on[0].string, on[on.length - 1].string];
		const [{ fret }] = on;
		if (on.some((one) => one.fret !== fret)) return Infinity;
		for (let string = thin; string <= thick; string++) {
			const there = places.find((place) => place.string === string);
			// Under a finger that lies across nothing is open or muted; under another than the first all is its own.
			if (!there || there.fret < fret || (finger > 1 && there.fret > fret)) return Infinity;
		}
		if (finger > 1) {
			if (thick - thin > 2) return Infinity;
			// What is thinner than its second string would be damped where it sounds lower.
			const second = on[1].string;
			if (places.some((place) => place.string <= second && place.fret < fret)) return Infinity;
		}
		cost += finger === 1 ? 5 : 9;
	}
	return barres.filter(({ finger }) => finger > 1).length > 1 ? Infinity : cost;
}

const assignments = (count: number): number[][] =>
	Array.from({ length: 4 ** count }, (_, n) =>
		Array.from({ length: count }, (_, i) => 1 + (Math.floor(n / 4 ** i) % 4))
	);

const grip = fc
	.array(fc.integer({ min: -1, max: 5 }), { minLength: 2, maxLength: 5 })
	.map((frets) =>
		frets.flatMap((fret, i): Place[] => (fret < 0 ? [] : [{ string: frets.length - i, fret }]))
	)
	.filter((places) => places.length > 1);

describe('a hold', () => {
	it('is the easiest of all assignments, and none where no hand holds them', () => {
		fc.assert(
			fc.property(grip, (places) => {
				const least = Math.min(
					...assignments(places.length).map((fingers) => costOf(places, fingers))
				);
				const found = holdGrip(places);
				expect(found?.cost ?? Infinity).toBe(least);
				if (!found) return;
				const fingers = found.fingers.map((finger) => finger ?? 1);
				expect(costOf(places, fingers)).toBe(least);
				expect(found.fingers.map((finger) => finger === null)).toEqual(
					places.map(({ fret }) => fret === 0)
				);
			}),
			{ numRuns: 400 }
		);
	});

	it.each([
		['a barre of the first finger', [1, 1, 1, 1], [1, 1, 1, 1]],
		['three neighbours on one fret', [0, 2, 2, 2], [null, 1, 2, 3]],
		['a major triad over a barre', [1, 3, 3, 2, 1, 1], [1, 3, 4, 2, 1, 1]]
	] as const)('%s', (_, frets, fingers) => {
		const places = frets.map((fret, i) => ({ string: frets.length - i, fret }));
		expect(holdGrip(places)?.fingers).toEqual(fingers);
	});
});
