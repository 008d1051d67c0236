import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { climb, foot, ladderFor, rungs, type Ladder, type LadderPlace } from './ladder';

const LADDER: Ladder = { start: 72, step: 4, ceiling: 104, up: 2 };

const play = (ladder: Ladder, passes: string, from: LadderPlace = foot(ladder)): LadderPlace =>
	[...passes].reduce((place, pass) => climb(ladder, place, pass === 'c'), from);

describe('a tempo ladder', () => {
	it('has its rungs from the foot to the ceiling', () => {
		expect(rungs(LADDER)).toEqual([72, 76, 80, 84, 88, 92, 96, 100, 104]);
		expect(rungs({ ...LADDER, step: 10 })).toEqual([72, 82, 92, 102, 104]);
		expect(rungs({ ...LADDER, ceiling: 72 })).toEqual([72]);
	});

	it.each<[string, number, number]>([
		['', 72, 0],
		['c', 72, 1],
		['cc', 76, 0],
		['ccc', 76, 1],
		['cccc', 80, 0],
		['ccb', 72, 0],
		['cb', 72, 0],
		['cbc', 72, 1],
		['b', 72, 0],
		['c'.repeat(16), 104, 0],
		['c'.repeat(20), 104, 4],
		[`${'c'.repeat(16)}b`, 100, 0]
	])('after %s stands at %d', (passes, tempo, clean) =>
		expect(play(LADDER, passes)).toEqual({ tempo, clean })
	);

	it('finds the next rung from a tempo between two', () => {
		expect(climb({ ...LADDER, up: 1 }, { tempo: 90, clean: 0 }, true).tempo).toBe(92);
		expect(climb(LADDER, { tempo: 90, clean: 0 }, false).tempo).toBe(88);
	});

	it('is made for any tempo, and never leaves its ends', () => {
		fc.assert(
			fc.property(fc.integer({ min: 30, max: 300 }), fc.array(fc.boolean()), (tempo, passes) => {
				const ladder = ladderFor(tempo);
				const tempos = rungs(ladder);
				expect(tempos.at(-1)).toBe(tempo);
				expect(tempos.length).toBeLessThan(16);
				const end = passes.reduce((place, clean) => climb(ladder, place, clean), foot(ladder));
				expect(tempos).toContain(end.tempo);
			})
		);
	});
});
