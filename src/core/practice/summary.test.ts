import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import type { Role } from '../chord';
import { isLanded, summarise } from './summary';
import type { JudgedChange, Result } from './types';

const chart = parseChart('key: C\n| Dm7 | G7 | Cmaj7 A7 |');

/** A judged change: its index, what came of it, how far off in ms, and the role that was struck. */
const at = (
	index: number,
	result: Result,
	errorMs: number | null = null,
	role: Role | null = null
): JudgedChange => ({
	...{ index, loop: 0, result, errorMs, role, midi: null }
});
const sum = (changes: readonly JudgedChange[]) => summarise(chart, { changes });

describe('a take summed up', () => {
	it('counts what was asked, and what landed or was held', () => {
		const all = sum([
			at(0, 'landed', 10),
			at(1, 'held'),
			at(2, 'missed'),
			at(3, 'passed'),
			at(0, 'early', -90),
			at(1, 'late', 80),
			at(2, 'silent')
		]);
		expect(all).toMatchObject({ asked: 6, landed: 2, landedShare: 2 / 6 });
		expect(all.counts).toEqual({
			...{ landed: 1, held: 1, leaning: 0, early: 1, late: 1, missed: 1, silent: 1, passed: 1 }
		});
		expect(
			['landed', 'held', 'early', 'late', 'missed', 'silent', 'passed'].filter((result) =>
				isLanded({ result: result as Result })
			)
		).toEqual(['landed', 'held']);
		expect(sum([])).toMatchObject({ asked: 0, landed: 0, landedShare: 1, slips: [], kinds: [] });
		expect(sum([at(3, 'passed')])).toMatchObject({ asked: 0, landedShare: 1, slips: [] });
	});

	it('tells timing from three landings on, from those alone', () => {
		const early = [at(0, 'landed', -10), at(1, 'landed', -40), at(2, 'late', 300)];
		expect(sum(early)).toMatchObject({ biasMs: null, spreadMs: null });
		const three = sum([...early, at(3, 'landed', 20), at(0, 'held', 500), at(1, 'landed', null)]);
		expect(three.biasMs).toBeCloseTo(-10, 9);
		expect(three.spreadMs).toBeCloseTo(Math.sqrt((0 + 900 + 900) / 3), 9);
	});

	it('counts by kinds of chords', () => {
		expect(
			sum([at(0, 'landed', 0), at(1, 'missed'), at(2, 'landed', 0), at(3, 'held'), at(1, 'passed')])
				.kinds
		).toEqual([
			{ kind: 'minor', asked: 1, landed: 1 },
			{ kind: 'dominant', asked: 2, landed: 1 },
			{ kind: 'major', asked: 1, landed: 1 }
		]);
	});

	it('lists what slipped: the most often first, wrong before late before early, then as it comes', () => {
		const often = [
			at(2, 'missed'),
			at(2, 'landed', 0),
			at(2, 'late', 70),
			at(1, 'missed'),
			at(1, 'landed', 0),
			at(0, 'landed', 0)
		];
		expect(sum(often).slips.map(({ index, asked, landed }) => [index, asked, landed])).toEqual([
			[2, 3, 1],
			[1, 2, 1]
		]);
		const once = [at(0, 'early'), at(1, 'late'), at(2, 'silent'), at(3, 'missed')];
		expect(sum(once).slips.map(({ index }) => index)).toEqual([2, 3, 1, 0]);
		const [worst] = sum(once).slips;
		expect(worst).toMatchObject({
			...{ bar: 3, beat: 1, from: 'G7', to: 'Cmaj7', late: 0, early: 0, missed: 0, silent: 1 }
		});
		expect(sum([at(3, 'missed')]).slips[0]).toMatchObject({
			bar: 3,
			beat: 3,
			from: 'Cmaj7',
			to: 'A7',
			missed: 1
		});
		// Nothing sounds before the first chord of a chart that does not go round.
		expect(sum([at(0, 'late')]).slips[0]?.to).toBe('Dm7');
	});

	it('says which role came at the wrong time where it was the same each time', () => {
		const struck = (...changes: JudgedChange[]) => sum(changes).slips[0]?.struck;
		expect(struck(at(1, 'late', 80, '3'), at(1, 'early', -90, '3'), at(1, 'landed', 0, 'R'))).toBe(
			'3'
		);
		expect(struck(at(1, 'late', 80, '3'), at(1, 'early', -90, 'b7'))).toBeNull();
		expect(struck(at(1, 'missed', null, '3'))).toBeNull();
		expect(struck(at(1, 'late', 80, null))).toBeNull();
	});
});
