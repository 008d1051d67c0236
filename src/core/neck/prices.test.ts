import { beforeAll, describe, expect, it, vi } from 'vitest';
import { parseChord } from '../chord';
import { HANDS } from './hand';
import { standardGuitar, type Instrument } from './instrument';
import { crossingPrice, HAND, reachPrice, shiftPrice } from './prices';
import { lastPosition, windowPlaces } from './window';

const ROOTS = ['C', 'Eb', 'F#', 'A'];
const QUALITIES = ['', 'm', '7', 'm7', 'maj7', 'm7b5'];
const POSITIONS = [2, 5, 8];

type Prices = Record<'hand' | 'join', Record<string, unknown>>;

/** Lines laid out and shapes joined, in their order, with other prices: the modules are read anew. */
async function laid(change: (prices: Prices) => void): Promise<{ joins: string; lines: string }> {
	vi.resetModules();
	const { HAND: hand } = await import('./prices');
	const { JOIN: join } = await import('./shapes/joined');
	change({ hand, join });
	const { arpeggioShapes } = await import('./shapes');
	const { placeLine } = await import('./place-line');
	const guitar = standardGuitar();
	const joins = ROOTS.flatMap((root) =>
		QUALITIES.flatMap((quality) => {
			const chord = parseChord(root + quality);
			if (!chord) throw new Error(root + quality);
			return POSITIONS.map((position) =>
				arpeggioShapes(guitar, chord, position)
					.filter(({ kind }) => kind === 'joined')
					.map(({ notes }) => notes.map(({ string, fret }) => `${string}/${fret}`).join(' '))
					.join(', ')
			);
		})
	);
	const lines: string[] = [];
	const small = { ...guitar, hand: { comfortableMm: HANDS.small } };
	const flat = { ...guitar, open: guitar.open.map(() => 50) };
	// Figures of leaps and steps that go round; on strings that all have the same pitches, too.
	for (const instrument of [guitar, small, flat]) {
		for (const position of [1, 3, 5, 9, 12]) {
			for (let seed = 1; seed < 40; seed++) {
				const pitches = Array.from({ length: 9 }, (_, i) => 38 + ((seed * (7 * i + i * i)) % 34));
				const places = placeLine(instrument, position, pitches);
				lines.push(places.map((at) => at && `${at.string}/${at.fret}`).join(' '));
			}
		}
	}
	return { joins: joins.join('\n'), lines: lines.join('\n') };
}

/** Where each price is seen to decide. */
const PRICES = {
	hand: {
		crossing: 'lines',
		crossingFurther: 'lines',
		reach: 'joins',
		tooFar: 'lines',
		jump: 'lines',
		shiftFirst: 'joins',
		shift: 'joins',
		shiftFret: 'joins'
	},
	join: { note: 'joins', rootless: 'joins' }
} as const;
const CASES = Object.entries(PRICES).flatMap(([table, prices]) =>
	Object.entries(prices).map(([name, where]) => [table as keyof Prices, name, where] as const)
);

describe('each price of the hand', () => {
	let usual: Awaited<ReturnType<typeof laid>>;
	beforeAll(async () => {
		usual = await laid(() => {});
	});

	it('stands in a table of this test', async () => {
		const { JOIN } = await import('./shapes/joined');
		expect(Object.keys(HAND)).toEqual(Object.keys(PRICES.hand));
		expect(Object.keys(JOIN).sort()).toEqual(Object.keys(PRICES.join).sort());
	});

	it.each(CASES)('%s: %s decides somewhere', async (table, name, where) => {
		const free = await laid((prices) => {
			const before = prices[table][name];
			prices[table][name] = Array.isArray(before) ? before.map(() => 0) : 0;
		});
		expect(free[where]).not.toEqual(usual[where]);
	});
});

describe('what a hand pays', () => {
	const guitar = standardGuitar();
	const of = (instrument: Instrument, position: number, fret: number) =>
		reachPrice(instrument, position, fret);

	it('is the same for a reach everywhere on the usual guitar in a medium hand', () => {
		for (let position = 2; position <= lastPosition(guitar); position++) {
			expect([of(guitar, position, position - 1), of(guitar, position, position + 4)]).toEqual([
				HAND.reach,
				HAND.reach
			]);
		}
	});
	it.each([
		['a small hand', { ...guitar, hand: { comfortableMm: HANDS.small } }, 648, 85],
		['long strings', { ...guitar, scaleLengthMm: 864 }, 864, 105]
	] as const)(
		'is much more with %s, near the nut, where the stretch is too far',
		(_, own, length, hand) => {
			const tooFar: number[] = [];
			for (let position = 1; position <= lastPosition(guitar); position++) {
				const mm = length * (2 ** (-position / 12) - 2 ** (-(position + 4) / 12));
				const far = mm > 1.25 * hand;
				if (far) tooFar.push(position);
				expect(of(own, position, position + 4)).toBe(HAND.reach + (far ? HAND.tooFar : 0));
			}
			expect(tooFar.slice(0, 3)).toEqual([1, 2, 3]);
			expect(tooFar.length).toBeLessThan(8);
		}
	);
	it('goes with a place: nothing under the fingers, on open strings and under a slide', () => {
		for (const position of [1, 4, 12]) {
			for (const { fret, reach, price } of windowPlaces(guitar, position)) {
				expect(price).toBe(reach ? of(guitar, position, fret) : 0);
				expect(reach).toBe(fret > 0 && (fret < position || fret > position + 3));
			}
		}
	});
	it('never spans more than four frets and a reach, nor more than the hand', () => {
		for (const { fret, furthest } of windowPlaces(guitar, 1)) {
			expect(furthest - fret).toBeLessThanOrEqual(4);
		}
		const span = (position: number, comfortableMm: number) => {
			const own = { ...guitar, hand: { comfortableMm } };
			const [first] = windowPlaces(own, position).filter(({ fret }) => fret === position);
			return (first?.furthest ?? 0) - position;
		};
		// From fret 1: 97 mm to 4, 126 mm to 5; a quarter more than what is comfortable is the end.
		expect([span(1, 105), span(1, 85), span(1, 60), span(12, 60)]).toEqual([4, 3, 2, 4]);
	});
	it('for strings and shifts as it is listed', () => {
		expect([0, 1, 2, 3, 4, 5].map(crossingPrice)).toEqual([0, 80, 700, 1800, 2700, 3600]);
		expect([0, 1, -1, 5].map((frets) => shiftPrice(frets))).toEqual([0, 1750, 1750, 2750]);
		expect([shiftPrice(2, 'first'), shiftPrice(2, 'slid')]).toEqual([1250, 500]);
	});
});
