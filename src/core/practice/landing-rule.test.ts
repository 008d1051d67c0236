import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import { parseChord } from '../chord';
import { standardGuitar, windowPlaces } from '../neck';
import { landsOn, passes } from './landing-rule';

const guitar = standardGuitar();
const chord = (symbol: string) => {
	const found = parseChord(symbol);
	if (!found) throw new Error(symbol);
	return found;
};

describe('what a change lands on', () => {
	it.each([
		['any', [0, 4, 7, 10]],
		['roots', [0]],
		['guide-tones', [4, 10]],
		[undefined, [0, 4, 7, 10]]
	] as const)('by the rule %s', (landOn, pcs) => {
		const landed = Array.from({ length: 12 }, (_, pc) => pc).filter((pc) =>
			landsOn({ landOn }, guitar, chord('C7'), 60 + pc)
		);
		expect(landed).toEqual(pcs);
	});
	it('asks for nothing that the place does not hold, and then for a tone of the chord still', () => {
		// Every string sounds A alone at each fret: position 2 holds five pitch classes and an open one's neighbours.
		const level = { ...guitar, open: guitar.open.map(() => 57) };
		const held = new Set(windowPlaces(level, 2).map(({ midi }) => midi % 12));
		expect([...held].sort((a, b) => a - b)).toEqual([0, 1, 2, 3, 10, 11]);
		const E = chord('E');
		// No E is there: its other tones land, other notes do not.
		expect(landsOn({ landOn: 'roots', position: 2 }, level, E, 59)).toBe(true);
		expect(landsOn({ landOn: 'roots', position: 2 }, level, E, 56)).toBe(true);
		expect(landsOn({ landOn: 'roots', position: 2 }, level, E, 60)).toBe(false);
		expect(landsOn({ landOn: 'roots' }, level, E, 59)).toBe(false);
		expect(landsOn({ landOn: 'roots', position: 99 }, level, E, 59)).toBe(false);
		// There is a D for D.
		expect(landsOn({ landOn: 'roots', position: 2 }, level, chord('D'), 57)).toBe(false);
	});
	it('is let pass where the rules say so', () => {
		const [first, second] = parseChart('| C | F |').changes;
		expect([first, second].map((change) => passes({ letPass: [1] }, change))).toEqual([
			false,
			true
		]);
		expect([first, second].map((change) => passes({ restBars: [1] }, change))).toEqual([
			true,
			false
		]);
		expect(passes({}, first)).toBe(false);
	});
});
