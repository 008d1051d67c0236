import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import {
	anchorOf,
	changeOfAnchor,
	checkRequest,
	type Plan,
	type PlanRequest,
	planRoute,
	planTargets,
	rankLandings
} from './';
import { FERRY, request } from './test-requests';

describe('requests that break a rule', () => {
	const chart = parseChart(FERRY);
	it.each([
		[{ position: 0 }, ['position'], 'Position 0'],
		[{ position: 20 }, ['position'], '1 to 19'],
		[{ locks: [{ change: 99, string: 1, fret: 6 }] }, ['locks', 0, 'change'], 'no change 99'],
		[{ locks: [{ change: 0, string: 1, fret: 12 }] }, ['locks', 0], 'outside position 6'],
		[{ locks: [{ change: 0, string: 1, fret: 7 }] }, ['locks', 0], 'not a tone of Bb7'],
		[{ locks: [{ change: 0, string: 7, fret: 6 }] }, ['locks', 0], 'not on this instrument'],
		[{ letPass: [13] }, ['letPass', 0], 'no change 13'],
		[{ forbid: [{ string: 1, fret: 1 }] }, ['forbid', 0], 'outside position 6'],
		[
			{ locks: [{ change: 0, string: 1, fret: 6 }], letPass: [0] },
			['locks', 0],
			'let pass at once'
		],
		[
			{ locks: [{ change: 0, string: 1, fret: 6 }], forbid: [{ string: 1, fret: 6 }] },
			['locks', 0],
			'forbidden'
		],
		[
			{
				locks: [
					{ change: 0, string: 1, fret: 6 },
					{ change: 0, string: 2, fret: 6 }
				]
			},
			['locks', 1],
			'locked twice'
		]
	] as [Partial<PlanRequest>, (string | number)[], string][])('%j', (over, path, words) => {
		const issues = checkRequest(request(chart, over));
		expect(issues).toHaveLength(1);
		expect(issues[0].path).toEqual(path);
		expect(issues[0].message).toContain(words);
		expect('error' in planRoute(request(chart, over))).toBe(true);
	});
});

describe('ranked landings', () => {
	const chart = parseChart(FERRY);

	it('begin with the planner’s own choice and rise in cost', () => {
		const plan: Plan = planTargets(request(chart));
		plan.targets.forEach((target) => {
			const landings = rankLandings(request(chart), target.change);
			expect(landings[0]).toMatchObject({ midi: target.midi, extra: 0 });
			const extras = landings.filter((landing) => landing.fits).map((landing) => landing.extra);
			expect(extras).toEqual([...extras].sort((a, b) => a - b));
		});
	});

	it('offer any chord tone, whatever the style, and nothing for an unknown change', () => {
		const roles = rankLandings(request(chart, { style: 'roots' }), 1).map(
			(landing) => landing.role
		);
		expect(new Set(roles)).toEqual(new Set(['R', '3', '5', 'b7']));
		// What the style asks for comes first.
		expect(roles.findLastIndex((role) => role === 'R')).toBe(
			roles.filter((role) => role === 'R').length - 1
		);
		expect(rankLandings(request(chart), 99)).toEqual([]);
	});

	it('say in words what moves and what the ear learns', () => {
		const plan = planTargets(request(chart, { style: 'guide-tones' }));
		expect(plan.targets[2].reasons.slice(0, 2)).toEqual([
			'Db rises a semitone to D, the third of Bb7, same string, next fret.',
			'Eb7 has no D: it tells the change at once.'
		]);
	});
});

describe('anchors', () => {
	it('survive edits elsewhere in the chart', () => {
		const chart = parseChart('[A x2]\n| C | F |');
		const anchor = anchorOf(chart.changes[3]);
		expect(anchor).toEqual({ bar: 2, beat: 1, pass: 2 });
		const edited = parseChart('[A x2]\n| C G | F |');
		expect(changeOfAnchor(edited, anchor)?.to.symbol).toBe('F');
		expect(changeOfAnchor(parseChart('| C |'), anchor)).toBeUndefined();
	});
});
