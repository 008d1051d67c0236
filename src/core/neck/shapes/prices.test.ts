import { beforeAll, describe, expect, it, vi } from 'vitest';
import { parseChord } from '../../chord';
import { standardGuitar } from '../instrument';

const ROOTS = ['C', 'Eb', 'F#', 'A'];
const QUALITIES = ['', 'm', '7', 'm7', 'maj7', 'm7b5'];
const POSITIONS = [2, 5, 8];

/** The joined shapes of some chords and places, in their order, with other prices: the modules are read anew. */
async function joins(change: (prices: object) => void): Promise<string[]> {
	vi.resetModules();
	const { JOIN } = await import('./weights');
	change(JOIN);
	const { arpeggioShapes } = await import('.');
	const guitar = standardGuitar();
	return ROOTS.flatMap((root) =>
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
}

const PRICES = ['index', 'other', 'fret', 'reach', 'note', 'rootless'];

describe('each price of a shift', () => {
	let usual: readonly string[] = [];
	beforeAll(async () => {
		usual = await joins(() => {});
	});

	it('stands in a table of this test', async () => {
		const { JOIN } = await import('./weights');
		expect(Object.keys(JOIN).sort()).toEqual(PRICES.map((price) => price).sort());
	});

	it.each(PRICES)('%s decides somewhere', async (price) => {
		const without = await joins((prices) => void Object.assign(prices, { [price]: 0 }));
		expect(without).not.toEqual(usual);
	});
});
