import { describe, expect, it } from 'vitest';
import { runCheck } from './check';
import { runPlan } from './plan';
import { checkAnswer, planAnswer, planInput, type PlanInput } from './plan-schema';
import { ALL_TERMS } from './terms';

const FERRY =
	'key: Bb blues\ntempo: 104\nfeel: shuffle\n| Bb7 | Eb7 | Bb7 | % | Eb7 | Edim7 | Bb7 | G7alt | Cm7 | F7 | Bb7 G7 | Cm7 F7 |';
const base: PlanInput = { chart: FERRY, position: 6, style: 'guide-tones', grid: 'eighth' };

const value = <T>(outcome: { value: T } | { error: unknown }): T => {
	if (!('value' in outcome)) throw new Error(JSON.stringify(outcome.error));
	return outcome.value;
};
const plan = (over: Partial<PlanInput> = {}) => value(runPlan({ ...base, ...over }));
const issues = (over: Partial<PlanInput>) => {
	const outcome = runPlan({ ...base, ...over });
	return 'error' in outcome ? outcome.error : [];
};

describe('a plan in full', () => {
	it('fits its schema, holds every target among its notes, and its costs add up', () => {
		for (const style of planInput.shape.style.options) {
			const answer = planAnswer.parse(plan({ style, spice: 0.7, seed: 4, scalePlan: 'follow' }));
			const [first] = answer.plans;
			const sum = ALL_TERMS.reduce((total, term) => total + first.costs[term], 0);
			expect(first.cost).toBeCloseTo(sum, 6);
			expect(first.notes).toHaveLength(96);
			for (const target of first.targets) {
				const note = first.notes.find(({ tick }) => tick === target.tick);
				expect(note).toMatchObject({ kind: 'target', midi: target.midi, fret: target.fret });
			}
			expect(first.metrics).toMatchObject({ targets: 13, awkwardMoves: 0 });
		}
	});

	it('lands on the same targets on every grid', () => {
		const grids = planInput.shape.grid.options.map((grid) => plan({ grid }).plans[0].targets);
		for (const targets of grids) expect(targets).toEqual(grids[0]);
	});

	it('gives alternatives that differ, and says when there are fewer', () => {
		const { plans, warnings } = plan({ alternatives: 3 });
		expect(plans).toHaveLength(3);
		expect(plans[1].cost).toBeGreaterThanOrEqual(plans[0].cost);
		expect(warnings).toEqual([]);
		const few = plan({ chart: '| C |', alternatives: 5, grid: 'targets' });
		expect(few.plans).toHaveLength(1);
		expect(few.warnings[0].message).toMatch(/^Only 1 of 5/);
	});

	it('stays on the frets of a slide, as its check does', () => {
		const chart = 'tuning: open-d\nkey: D mixolydian\n| D7 | G7 | A7 |';
		const { notes } = plan({ chart, position: 12, slide: 1 }).plans[0];
		expect(new Set(notes.map((note) => note.fret))).toEqual(new Set([12]));
		expect(notes.every((note) => note.finger === null)).toBe(true);
		const check = (fret: number) => {
			const off = { tick: 0, durationTicks: 240, midi: 50 + fret, string: 4, fret };
			return value(runCheck({ chart, position: 12, slide: 1, notes: [off] })).metrics;
		};
		expect([check(12).windowExits, check(13).windowExits]).toEqual([0, 1]);
		expect(planInput.safeParse({ ...base, slide: 3 }).success).toBe(false);
	});

	it('moves the hand when it may roam', () => {
		const [roaming] = plan({ position: { roam: 4, wish: 'climb' } }).plans;
		expect(roaming.windows.length).toBeGreaterThan(1);
		expect(roaming.position).toBe(roaming.windows[0].position);
		expect(plan().plans[0].windows).toEqual([{ change: 0, position: 6 }]);
	});

	it('takes a rhythm cell by its id or written out', () => {
		expect(plan({ cell: 'x---x---' }).plans[0].notes.length).toBeLessThan(30);
		expect(plan({ cell: 'breath' }).plans[0].notes.length).toBeLessThan(96);
		const rest = plan({ cell: 'x-......' }).plans[0].notes;
		expect(rest.every((note) => note.durationTicks <= 480)).toBe(true);
	});

	it('lets pass what is let pass, even everything', () => {
		const none = plan({ letPass: Array.from({ length: 13 }, (_, i) => i) });
		expect(none.plans[0]).toMatchObject({ targets: [], notes: [] });
	});

	it('says what is wrong with a wish', () => {
		expect(issues({ cell: 'x-x' })[0]).toMatchObject({ path: 'cell' });
		expect(issues({ cell: 'x-x' })[0].message).toMatch(/3 marks; a bar of this chart has 8/);
		expect(issues({ cell: 'waltzing' })[0].message).toMatch(/no rhythm cell/);
		const roam = { roam: 0 } as const;
		const locks = [
			{ change: 0, string: 6, fret: 6 },
			{ change: 2, string: 6, fret: 18 }
		];
		expect(issues({ position: roam, locks })[0].path).toBe('position');
		for (const wrong of [
			{ spice: 2 },
			{ alternatives: 9 },
			{ grid: 'eighths' },
			{ position: { roam: 2, wish: 'jump' } },
			{ scalePlan: 'two' },
			{ seed: -1 }
		]) {
			expect(planInput.safeParse({ ...base, ...wrong }).success).toBe(false);
		}
	});

	it('makes a line of 512 bars', () => {
		const bars = Array.from({ length: 128 }, () => 'Bb7 | Eb7 | Cm7 F7 | Bb7').join(' | ');
		const answer = plan({ chart: `key: Bb blues\n| ${bars} |`, grid: 'sixteenth' });
		expect(answer.plans[0].notes.length).toBe(8192);
	});
});

describe('a check', () => {
	const notes = plan().plans[0].notes.map(({ tick, durationTicks, midi, string, fret }) => ({
		tick,
		durationTicks,
		midi,
		string,
		fret
	}));

	it('fits its schema and lands every planned line', () => {
		const answer = checkAnswer.parse(value(runCheck({ chart: FERRY, position: 6, notes })));
		expect(answer.metrics).toMatchObject({ landedShare: 1, windowExits: 0 });
		expect(answer.verdict).toMatch(/^All 13 changes land\./);
	});

	it('needs no places', () => {
		const bare = notes.map(({ tick, durationTicks, midi }) => ({ tick, durationTicks, midi }));
		const answer = value(runCheck({ chart: FERRY, notes: bare }));
		expect(answer.metrics.landedShare).toBe(1);
	});

	it('names the note that is not on the instrument', () => {
		const wrong = [...notes.slice(0, 3), { tick: 0, durationTicks: 10, midi: 20 }];
		const outcome = runCheck({ chart: FERRY, notes: wrong });
		expect('error' in outcome && outcome.error).toMatchObject([{ path: 'notes.3' }]);
		const off = runCheck({ chart: FERRY, position: 40, notes });
		expect('error' in off && off.error).toMatchObject([{ path: 'position' }]);
	});
});
