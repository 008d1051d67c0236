import { describe, expect, it } from 'vitest';
import { parseChart, type Chart } from '../chart';
import { scaleInUse } from '../harmony';
import { buildInstrument, samePlace, standardGuitar } from '../neck';
import { isHeld, timedChart, type LandingTimes } from './landing-times';
import { handByBar } from './holding';
import { planTargets } from './plan';
import { rankLandings } from './targets/landings';
import { planSteps } from './targets/candidates';
import type { Step } from './targets/step';
import { buildLattice, tripleCosts } from './targets/lattice';
import { solve } from './targets/solve';
import type { PlanRequest, Style } from './types';

const BAR = 1920;
const at = (chart: Chart) => chart.changes.map(({ tick, to }) => `${tick / BAR} ${to.symbol}`);
const timed = (text: string, times: Partial<LandingTimes>) =>
	timedChart(parseChart(text), { land: 'change', ...times });

describe('the moments that a line lands on', () => {
	it('are the changes of the chart itself where nothing else is asked for', () => {
		const chart = parseChart('| A7 | % | D7 | % |');
		const same = timedChart(chart, { land: 'change', beat: null, top: true });
		expect(same.chart).toBe(chart);
		expect(same.changeOf).toEqual([0, 1]);
		expect(same.eventOf).toEqual([0, 1, 2, 3]);
	});

	it('come every bar of a chord that goes on, or every second, counted from its change', () => {
		expect(at(timed('| A7 | % | % | % |', { land: 'bar' }).chart)).toEqual([
			'0 A7',
			'1 A7',
			'2 A7',
			'3 A7'
		]);
		const two = timed('| A7 | % | % | D7 | % | % | % |', { land: 'two-bars' });
		expect(at(two.chart)).toEqual(['0 A7', '2 A7', '3 D7', '5 D7']);
		expect(two.changeOf).toEqual([0, 0, 1, 1]);
		// A chord that is held by dots is parted at the bar line.
		const held = timed('| A7 | . | D7 |', { land: 'bar' });
		expect(at(held.chart)).toEqual(['0 A7', '1 A7', '2 D7']);
		expect(held.chart.events.map(({ durationTicks }) => durationTicks / BAR)).toEqual([1, 1, 1]);
		expect(held.eventOf).toEqual([0, 0, 1]);
		expect(held.chart.changes.map(isHeld)).toEqual([false, true, false]);
	});

	it('leave silences and pushed chords alone, and every change where it is', () => {
		expect(at(timed('| A7 | N.C. | N.C. | A7 |', { land: 'bar' }).chart)).toEqual(['0 A7', '3 A7']);
		const pushed = parseChart('| A7 | <D7 | % |');
		const { chart } = timedChart(pushed, { land: 'bar' });
		expect(chart.changes.map(({ tick }) => tick)).toEqual([0, BAR - 240, 2 * BAR]);
	});

	it('come again at the top of a repeat', () => {
		const { chart } = timed('|: A7 | % :| D7 |', { top: true });
		expect(at(chart)).toEqual(['0 A7', '2 A7', '4 D7']);
		expect(chart.changes[1]).toMatchObject({ source: 1, pass: 2, beat: 1 });
		expect(at(timed('[A x2]\n| A7 | D7 | A7 |', { top: true }).chart)).toEqual([
			'0 A7',
			'1 D7',
			'2 A7',
			'3 A7',
			'4 D7',
			'5 A7'
		]);
	});

	it('wait for a beat of their bar, as long as their chord sounds', () => {
		const { chart } = timed('| A7 D7 | E7 | A7 |', { beat: 4 });
		expect(chart.changes.map(({ tick }) => tick / 480)).toEqual([0, 3, 7, 11]);
		expect(chart.changes.map(({ beat }) => beat)).toEqual([1, 4, 4, 4]);
		// The chord itself begins when it did.
		expect(chart.changes.map(({ to }) => to.startTick / 480)).toEqual([0, 2, 4, 8]);
		const every = timed('| A7 | % | E7 |', { beat: 3, land: 'bar' });
		expect(every.chart.changes.map(({ tick }) => tick / 480)).toEqual([2, 6, 10]);
	});

	it('come where the hand goes elsewhere, and chords are parted where a scale begins', () => {
		const handAt = handByBar(5, {
			hand: [
				{ bar: 3, position: 9 },
				{ bar: 4, position: 9 }
			]
		});
		const { chart } = timed('| A7 | % | % | % |', { handAt: handAt ?? undefined });
		expect(at(chart)).toEqual(['0 A7', '2 A7']);
		const scales = timed('| A7 . . . | D7 |', { scales: [{ bar: 1, beat: 3 }] });
		expect(at(scales.chart)).toEqual(['0 A7', '1 D7']);
		expect(scales.chart.events.map(({ beat, startTick }) => [beat, startTick / 480])).toEqual([
			[1, 0],
			[3, 2],
			[1, 4]
		]);
	});
});

/** What a plan of landings must cost at least when tones take turns, by trying every path of places. */
function leastInTurn(request: PlanRequest): number {
	const steps = planSteps(request).steps.map((step): Step => {
		const places = step.candidates.filter(
			(one, i, all) => all.findIndex((other) => samePlace(other, one)) === i
		);
		return { ...step, candidates: places, turn: null };
	});
	const { sizes, own, pairs, pitches } = buildLattice(request, steps);
	const among = steps.map((step) => new Set(step.candidates.map(({ midi }) => midi % 12)).size);
	let least = Infinity;
	const path: number[] = [];
	const visit = (i: number, cost: number, used: readonly number[]): void => {
		if (i === sizes.length) {
			least = Math.min(least, cost);
			return;
		}
		for (let c = 0; c < sizes[i]; c++) {
			const pc = pitches[i][c] % 12;
			const held = isHeld(steps[i].change);
			const round = held ? (used.length >= among[i] ? [] : used) : [];
			const last = held ? used.at(-1) : undefined;
			if (among[i] > 1 && (round.includes(pc) || pc === last)) continue;
			let more = own[i][c];
			if (i > 0) more += pairs[i][path[i - 1] * sizes[i] + c];
			if (i > 1) {
				const [a, b] = [pitches[i - 2][path[i - 2]], pitches[i - 1][path[i - 1]]];
				const costs = tripleCosts(a, b, pitches[i][c]);
				more += (costs.repetition ?? 0) + (costs.turns ?? 0);
			}
			path[i] = c;
			visit(i + 1, cost + more, [...round, pc]);
		}
		path.length = i;
	};
	visit(0, 0, []);
	return least;
}

describe('a chord that goes on', () => {
	const request = (text: string, over: Partial<PlanRequest> = {}): PlanRequest => {
		const { chart } = timed(text, { land: 'bar' });
		const { scale } = scaleInUse(chart);
		const free = { locks: [], forbid: [], letPass: [] };
		const style: Style = 'nearest';
		return { ...free, chart, scale, instrument: standardGuitar(), position: 5, style, ...over };
	};

	it('is landed on by each of its tones in turn', () => {
		for (const position of [1, 5, 9, 12]) {
			const { targets } = planTargets(request('key: A\n| A7 | % | % | % |', { position }));
			expect(new Set(targets.map(({ role }) => role)).size).toBe(4);
		}
		const long = planTargets(request('key: A\n| A7 | % | % | % | % | % | % | % |'));
		const roles = long.targets.map(({ role }) => role);
		expect(new Set(roles.slice(0, 4)).size).toBe(4);
		expect(new Set(roles.slice(4)).size).toBe(4);
		expect(roles[4]).not.toBe(roles[3]);
		// Guide tones take turns among themselves, a root has nobody to take turns with.
		const guides = planTargets(request('| A7 | % | % |', { style: 'guide-tones' }));
		expect(new Set(guides.targets.slice(0, 2).map(({ role }) => role))).toEqual(
			new Set(['3', 'b7'])
		);
		expect(guides.targets[2].role).toBe(guides.targets[0].role);
		const roots = planTargets(request('| A7 | % |', { style: 'roots' }));
		expect(roots.targets.map(({ role }) => role)).toEqual(['R', 'R']);
	});

	it('is planned as well as trying everything would', () => {
		const instrument = buildInstrument('bass', 20, 0);
		if (!instrument) throw new Error('no bass');
		const texts = ['| A7 | % | % | D7 |', '| Am | % | % | % |', '| E5 | % | % | A7 |'];
		for (const text of texts) {
			for (const position of [1, 4, 7]) {
				for (const style of ['nearest', 'guide-tones', 'blend'] as const) {
					const asked = request(`key: A\n${text}`, { instrument, position, style });
					const found = solve(buildLattice(asked, planSteps(asked).steps)).cost;
					expect(found).toBe(leastInTurn(asked));
				}
			}
		}
	});

	it('keeps a lock that is out of turn, and ranks what the plan itself lands on first', () => {
		const asked = request('key: A\n| A7 | % | % | D7 |');
		const plan = planTargets(asked);
		for (const { change, midi } of plan.targets) {
			const [first] = rankLandings(asked, change);
			expect(first).toMatchObject({ midi, extra: 0 });
			const places = rankLandings(asked, change).map(({ string, fret }) => `${string} ${fret}`);
			expect(new Set(places).size).toBe(places.length);
		}
		const [a] = plan.targets;
		const locks = [1, 2].map((change) => ({ change, string: a.string, fret: a.fret }));
		const locked = planTargets({ ...asked, locks });
		expect(locked.targets.slice(1, 3).map(({ midi }) => midi)).toEqual([a.midi, a.midi]);
		expect(locked.targets[0].midi).not.toBe(a.midi);
		expect(locked.targets[1].reasons.join(' ')).toContain('goes on');
	});
});
