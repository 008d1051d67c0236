import { describe, expect, it } from 'vitest';
import { parseChart } from '$core/chart';
import { toneAt } from '$core/chord';
import { inWindow, standardGuitar } from '$core/neck';
import { runPlan } from './plan';
import { planAnswer, planInput, type PlanInput } from './plan-schema';

const TUNE = 'key: A\ntempo: 92\n| A7 | % | D7 | % | A7 | % | E7 | D7 |';
const base: PlanInput = { chart: TUNE, position: 5, style: 'nearest', grid: 'eighth' };
const BAR = 1920;

const plan = (over: Partial<PlanInput> = {}) => {
	const outcome = runPlan(planInput.parse({ ...base, ...over }));
	if ('error' in outcome) throw new Error(JSON.stringify(outcome.error));
	return planAnswer.parse(outcome.value);
};
const issues = (over: Partial<PlanInput>) => {
	const outcome = runPlan({ ...base, ...over });
	return 'error' in outcome ? outcome.error.map(({ path }) => path) : [];
};

describe('a plan that lands while a chord goes on', () => {
	it('lands every bar or every second, by the changes of the chart, each time on another tone', () => {
		const [{ targets, notes }] = plan({ land: 'bar' }).plans;
		expect(targets.map(({ tick }) => tick / BAR)).toEqual([0, 1, 2, 3, 4, 5, 6, 7]);
		expect(targets.map(({ change }) => change)).toEqual([0, 0, 1, 1, 2, 2, 3, 4]);
		expect(targets[0].role).not.toBe(targets[1].role);
		expect(notes.every(({ chord }) => chord < 8)).toBe(true);
		const vamp = plan({ chart: 'key: A\n| A7 | % | % | % |', land: 'two-bars' }).plans[0];
		expect(vamp.targets.map(({ tick }) => tick / BAR)).toEqual([0, 2]);
		expect(plan({ land: 'change' }).plans).toEqual(plan().plans);
	});

	it('takes locks and changes let pass by the changes of the chart', () => {
		const lock = { change: 1, string: 3, fret: 5 };
		const [{ targets }] = plan({ land: 'bar', locks: [lock], letPass: [2] }).plans;
		expect(targets.map(({ change }) => change)).toEqual([0, 0, 1, 1, 3, 4]);
		expect(targets[2]).toMatchObject({ tick: 2 * BAR, ...lock });
		expect(issues({ land: 'bar', locks: [{ ...lock, change: 5 }] })).toEqual(['locks.0.change']);
		expect(issues({ land: 'bar', letPass: [5] })).toEqual(['letPass.0']);
	});
});

describe('a plan whose bars have places and scales of their own', () => {
	it('moves the hand from a written bar on, and lands where it moves', () => {
		const hand = [
			{ bar: 3, position: 9 },
			{ bar: 6, position: 12 }
		];
		const [made] = plan({ hand }).plans;
		const at = (tick: number) => (tick < 2 * BAR ? 5 : tick < 5 * BAR ? 9 : 12);
		expect(made.position).toBe(5);
		expect(made.windows.map(({ position }) => position)).toEqual([5, 9, 12]);
		for (const note of made.notes) {
			expect(inWindow(standardGuitar(), at(note.tick), note)).toBe(true);
		}
		expect(made.targets.map(({ tick }) => tick / BAR)).toEqual([0, 2, 4, 5, 6, 7]);
		const best = plan({ position: 'best', hand: [{ bar: 7, position: 1 }] }).plans[0];
		expect(best.windows.at(-1)).toEqual({ change: 3, position: 1 });
	});

	it('draws on the scale of each bar', () => {
		const chart = 'key: A\n| A7 | D7 | A7 | % |';
		const scales = [
			{ bar: 2, tonic: 'D', name: 'mixolydian' },
			{ bar: 4, beat: 3, tonic: 'A', name: 'minor pentatonic' }
		];
		const scale = { tonic: 'A', name: 'major pentatonic' };
		const [{ notes }] = plan({ chart, scale, scales, only: true }).plans;
		const held = (tick: number) =>
			tick < BAR
				? [9, 11, 1, 4, 6]
				: tick < 3 * BAR + 960
					? [2, 4, 6, 7, 9, 11, 0]
					: [9, 0, 2, 4, 7];
		for (const { tick, midi } of notes) expect(held(tick)).toContain(midi % 12);
		expect(new Set(notes.filter((n) => n.tick >= BAR).map((n) => n.midi % 12)).has(0)).toBe(true);
	});

	it('says which bar, place or scale there is not', () => {
		expect(issues({ hand: [{ bar: 9, position: 5 }] })).toEqual(['hand.0.bar']);
		expect(issues({ hand: [{ bar: 2, position: 25 }] })).toEqual(['hand.0.position']);
		expect(issues({ hand: [{ bar: 2, position: 5 }], position: { roam: 3 } })).toEqual(['hand']);
		expect(issues({ scales: [{ bar: 9, tonic: 'A', name: 'mixolydian' }] })).toEqual([
			'scales.0.bar'
		]);
		expect(issues({ scales: [{ bar: 1, tonic: 'A', name: 'nonesuch' }] })).toEqual([
			'scales.0.name'
		]);
	});
});

describe('a plan of colours, and one that comes home', () => {
	const colour = { change: 0, string: 2, fret: 7 };

	it('may land on colours of the scale, and keeps one that is locked', () => {
		// F sharp, the thirteenth of A7 in A mixolydian.
		const scale = { tonic: 'A', name: 'mixolydian' };
		expect(issues({ scale, locks: [colour] })).toEqual(['locks.0']);
		const [made] = plan({ scale, locks: [colour], colours: true }).plans;
		expect(made.targets[0]).toMatchObject({ ...colour, name: 'F#', role: '13' });
		expect(made.notes[0]).toMatchObject({ kind: 'target', role: '13', name: 'F#' });
		expect(made.targets[0].reasons.join(' ')).toContain('no tone of A7');
		// What clashes is no colour: D over A7.
		const clash = { change: 0, string: 3, fret: 7 };
		expect(issues({ scale, locks: [clash], colours: true })).toEqual(['locks.0']);
		// Where colours are all that the place has left they are landed on.
		const { chart } = { chart: parseChart(TUNE) };
		const forbid = Array.from({ length: 6 }, (_, i) => i + 1).flatMap((string) =>
			[4, 5, 6, 7, 8, 9].flatMap((fret) => {
				const midi = standardGuitar().open[string - 1] + fret;
				const tone = toneAt(chart.changes[0].to.chord, midi);
				return tone ? [{ string, fret }] : [];
			})
		);
		const short = { chart: 'key: A\n| A7 |', scale, forbid };
		expect(plan(short).plans[0].targets).toEqual([]);
		const [free] = plan({ ...short, colours: true }).plans;
		expect(['9', '13', '11']).toContain(free.targets[0].role);
		// Strict styles stay strict.
		const roots = plan({ scale, style: 'roots', colours: true }).plans[0].targets;
		expect(roots.every(({ role }) => role === 'R')).toBe(true);
	});

	it('lands on the tonic of home whatever the chord', () => {
		const [{ targets, cost }] = plan({ home: true }).plans;
		expect(targets.map(({ name }) => name)).toEqual(['A', 'A', 'A', 'A', 'A']);
		expect(targets.map(({ role }) => role)).toEqual(['R', '5', 'R', '11', '5']);
		expect(Number.isFinite(cost)).toBe(true);
		expect(issues({ home: true, chart: '| Xq |' })).toEqual(['chart']);
	});
});
