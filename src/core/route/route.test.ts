import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type PlanRequest, planRoute, planTargets, rankLandings, STYLES, TERMS } from '.';
import { parseChart, transposeText } from '../chart';
import { guideTones } from '../chord';
import { buildInstrument, inWindow, pitchAt } from '../neck';
import { must } from '../test-must';
import { runs } from '../test-runs';
import { planSteps } from './targets/candidates';
import { buildLattice, tripleCosts } from './targets/lattice';
import { costsThrough, solve } from './targets/solve';
import { chordName, FERRY, request, smallChart, style } from './test-requests';

/** Least cost over every path, by trying all of them. */
function exhaustive(req: PlanRequest): { cost: number; through: number[][] } {
	const lattice = buildLattice(req, planSteps(req).steps);
	const { sizes, own, pairs, pitches } = lattice;
	let least = Infinity;
	const through = sizes.map((size) => new Array<number>(size).fill(Infinity));
	const path: number[] = [];
	const visit = (i: number, cost: number): void => {
		if (i === sizes.length) {
			least = Math.min(least, cost);
			path.forEach((c, step) => (through[step][c] = Math.min(through[step][c], cost)));
			return;
		}
		for (let c = 0; c < sizes[i]; c++) {
			let more = own[i][c];
			if (i > 0) more += pairs[i][path[i - 1] * sizes[i] + c];
			if (i > 1) {
				const [a, b] = [pitches[i - 2][path[i - 2]], pitches[i - 1][path[i - 1]]];
				const costs = tripleCosts(a, b, pitches[i][c]);
				more += (costs.repetition ?? 0) + (costs.turns ?? 0);
			}
			path[i] = c;
			visit(i + 1, cost + more);
		}
		path.length = i;
	};
	visit(0, 0);
	return { cost: least, through };
}

describe('the search', () => {
	it('equals exhaustive search on small charts', () => {
		// Four strings keep the number of paths small enough to try them all.
		const instrument = buildInstrument('bass', 20, 0);
		if (!instrument) throw new Error('no bass');
		fc.assert(
			fc.property(smallChart, style, fc.integer({ min: 1, max: 17 }), (chart, wanted, position) => {
				const req = request(chart, { instrument, position, style: wanted });
				const found = exhaustive(req);
				const lattice = buildLattice(req, planSteps(req).steps);
				expect(solve(lattice).cost).toBe(found.cost);
				lattice.sizes.forEach((_, step) => {
					expect([...costsThrough(lattice, step)]).toEqual(found.through[step]);
				});
			}),
			{ numRuns: runs(60) }
		);
	});

	it('equals exhaustive search on six strings, where many places share a pitch', () => {
		const three = fc
			.array(chordName, { minLength: 3, maxLength: 3 })
			.map((names) => parseChart(`| ${names.join(' | ')} |`));
		fc.assert(
			fc.property(three, style, fc.integer({ min: 1, max: 19 }), (chart, wanted, position) => {
				const req = request(chart, { position, style: wanted });
				expect(solve(buildLattice(req, planSteps(req).steps)).cost).toBe(exhaustive(req).cost);
			}),
			{ numRuns: runs(60) }
		);
	});

	it('explains its whole cost by name', () => {
		for (const wanted of STYLES) {
			const plan = planTargets(request(parseChart(FERRY), { style: wanted }));
			const total = TERMS.reduce((sum, term) => sum + plan.costs[term], 0);
			expect(total).toBeCloseTo(plan.cost, 6);
		}
	});

	it('finds plans that a greedy walk misses', () => {
		const req = request(parseChart(FERRY));
		const { steps } = planSteps(req);
		const lattice = buildLattice(req, steps);
		let greedy = 0;
		const walk: number[] = [];
		lattice.sizes.forEach((size, i) => {
			const cost = (c: number) => {
				const pair = i > 0 ? lattice.pairs[i][walk[i - 1] * size + c] : 0;
				const pitch = (step: number) => lattice.pitches[step][walk[step]];
				const three = i > 1 ? tripleCosts(pitch(i - 2), pitch(i - 1), lattice.pitches[i][c]) : {};
				return lattice.own[i][c] + pair + (three.repetition ?? 0) + (three.turns ?? 0);
			};
			const all = Array.from({ length: size }, (_, c) => c);
			const best = all.reduce((x, c) => (cost(c) < cost(x) ? c : x));
			greedy += cost(best);
			walk.push(best);
		});
		expect(solve(lattice).cost).toBeLessThan(greedy);
	});
});

describe('plans', () => {
	it('land on a tone of every chord, on time, inside the window, by the style', () => {
		fc.assert(
			fc.property(smallChart, style, fc.integer({ min: 1, max: 19 }), (chart, wanted, position) => {
				const req = request(chart, { style: wanted, position });
				const plan = planTargets(req);
				expect(plan.targets.map((target) => target.change)).toEqual(
					chart.changes.map((c) => c.index)
				);
				for (const target of plan.targets) {
					const change = chart.changes[target.change];
					const tone = change.to.chord.tones.find((t) => t.pc === target.midi % 12);
					expect(tone).toMatchObject({ name: target.name, role: target.role });
					expect(target.tick).toBe(change.tick);
					expect(inWindow(req.instrument, position, target)).toBe(true);
					expect(pitchAt(req.instrument, target)).toBe(target.midi);
					if (wanted === 'roots') expect(target.role).toBe('R');
					if (wanted === 'guide-tones') {
						expect(guideTones(change.to.chord).map((t) => t.role)).toContain(target.role);
					}
					expect(target.reasons.length).toBeGreaterThan(0);
				}
			})
		);
	});

	it('glides: guide tones through a blues move by steps', () => {
		const plan = planTargets(request(parseChart(FERRY), { style: 'guide-tones' }));
		const moves = plan.targets
			.slice(1)
			.map((target, i) => Math.abs(target.midi - plan.targets[i].midi));
		expect(moves.filter((move) => move <= 2).length).toBeGreaterThanOrEqual(10);
		expect(plan.targets.slice(0, 3).map((target) => target.name)).toEqual(['D', 'Db', 'D']);
	});

	it('move with the chart: a transposed chart in a shifted position costs the same', () => {
		const up = transposeText(FERRY, { steps: 1, semitones: 2 });
		for (const wanted of STYLES) {
			const here = planTargets(request(parseChart(FERRY), { style: wanted }));
			const there = planTargets(request(parseChart(up), { style: wanted, position: 8 }));
			expect(there.cost).toBe(here.cost);
			expect(there.targets.map((target) => [target.string, target.fret - 2, target.role])).toEqual(
				here.targets.map((target) => [target.string, target.fret, target.role])
			);
		}
	});

	it('keep a lock and adapt the rest', () => {
		const chart = parseChart(FERRY);
		const free = planTargets(request(chart));
		const [second] = rankLandings(request(chart), 4).filter(
			(landing) => landing.midi !== free.targets[4].midi
		);
		const locks = [{ change: 4, string: second.string, fret: second.fret }];
		const locked = planTargets(request(chart, { locks }));
		expect(locked.targets[4]).toMatchObject({
			string: second.string,
			fret: second.fret,
			locked: true
		});
		expect(locked.cost - free.cost).toBeCloseTo(second.extra, 6);
		expect(locked.targets[4].reasons).toContain('You locked it.');
	});

	it('leave let-pass changes and forbidden places out', () => {
		const chart = parseChart(FERRY);
		const free = planTargets(request(chart));
		const { string, fret } = free.targets[0];
		const plan = planTargets(request(chart, { letPass: [1, 2], forbid: [{ string, fret }] }));
		expect(plan.targets.map((target) => target.change)).not.toContain(1);
		expect(plan.targets).toHaveLength(11);
		expect(plan.targets.every((t) => t.string !== string || t.fret !== fret)).toBe(true);
	});

	it('let a change pass that the window cannot serve, and say so', () => {
		const instrument = buildInstrument('C2 C3 C4 C5', 22, 0);
		if (!instrument) throw new Error('no instrument');
		const plan = planTargets(
			request(parseChart('| C5 | F#mno5 | C#5 |'), { instrument, position: 12 })
		);
		expect(plan.targets.map((target) => target.change)).toEqual([0, 2]);
		expect(plan.warnings).toHaveLength(1);
		expect(plan.warnings[0]).toMatchObject({ change: 1 });
		const roots = planTargets(
			request(parseChart('| F#m |'), { instrument, position: 12, style: 'roots' })
		);
		expect(roots.targets[0].role).not.toBe('R');
		expect(roots.warnings[0].message).toContain('no root');
	});

	it('are the same for the same input', () => {
		const chart = parseChart(FERRY);
		expect(planTargets(request(chart))).toEqual(planTargets(request(parseChart(FERRY))));
	});

	it('cope with no change and with one', () => {
		expect(planTargets(request(parseChart('| N.C. |'))).targets).toEqual([]);
		expect(planTargets(request(parseChart('| C |'))).targets).toHaveLength(1);
	});
});

describe('the best position', () => {
	it('costs no more than any other', () => {
		const chart = parseChart(FERRY);
		const best = must(planRoute({ ...request(chart), position: 'best' }));
		for (let position = 1; position <= 19; position++) {
			expect(best.cost).toBeLessThanOrEqual(planTargets(request(chart, { position })).cost);
		}
	});

	it('is the lowest where all are equal', () => {
		const chart = parseChart('key: C\n| C | F |');
		const passed = { ...request(chart), letPass: [0, 1], position: 'best' as const };
		expect(must(planRoute(passed))).toMatchObject({ position: 1, targets: [] });
	});

	it('holds the locks, or says that none does', () => {
		const chart = parseChart(FERRY);
		const one = { change: 0, string: 6, fret: 18 };
		const best = must(planRoute({ ...request(chart, { locks: [one] }), position: 'best' }));
		expect(best.targets[0]).toMatchObject({ string: 6, fret: 18 });
		const far = [one, { change: 1, string: 5, fret: 1 }];
		const none = planRoute({
			...request(chart, { locks: far.map((l) => ({ ...l })) }),
			position: 'best'
		});
		expect(none).toMatchObject({ error: [{ path: ['position'] }] });
	});
});
