import { chartTicks, eventAt, type Chart } from '../chart';
import { lineMeasures, type LineMeasures } from './line/measures';
import { LineWork } from './line/work';
import { leadingOf, topLine, withOwnNotes, type OwnLine } from './own-notes';
import { scalesAlong } from './scale-plan';
import { planLine, type Line } from './line/plan-line';
import { LINE_TERMS, type LineNote, type LineWishes } from './line/types';
import { planAlternatives, settle } from './plan';
import type { Plan, PlanRequest } from './types';

/** Target plans that are filled before the best whole plans are chosen. */
const FILLED = 5;

/** A plan with its line; `measures` is null where only targets are planned. */
export type WholePlan = {
	readonly plan: Plan;
	readonly notes: readonly LineNote[];
	readonly line: Line | null;
	readonly measures: LineMeasures | null;
	/** Cost of targets and line together, in units of the weights table. */
	readonly cost: number;
};

/** Targets as notes: each rings until the next begins or its chord ends. */
function targetNotes(chart: Chart, { targets }: Plan): LineNote[] {
	return targets.map((target, i) => {
		const { to } = chart.changes[target.change]!;
		const sounding = eventAt(chart, target.tick) ?? to;
		const next = targets[i + 1]?.tick ?? chartTicks(chart);
		const end = Math.min(next, sounding.startTick + sounding.durationTicks);
		return {
			tick: target.tick,
			durationTicks: end - target.tick,
			string: target.string,
			fret: target.fret,
			midi: target.midi,
			name: target.name,
			role: target.role,
			kind: 'target',
			finger: target.finger,
			technique: null,
			chord: to.index
		};
	});
}

/**
 * Plans targets and, where `line` is given, the line between them. Several plans are truly different and
 * ordered by the cost of the whole. The request must be valid and its hand placed (`placeHand`). Notes of the player's
 * own (`frozen`) stand in every plan as they are; the planner is told of one at a time.
 * @param work what earlier plans of the same chart left; only saves time
 */
export function planWhole(
	request: PlanRequest,
	line: LineWishes | null,
	count = 1,
	work = new LineWork(),
	own: OwnLine = { ways: line?.frozen ?? [], passed: [] }
): WholePlan[] {
	const settled = settle(request);
	const { chart, instrument } = settled;
	const told = line && own.ways.length > 0 ? { ...line, frozen: leadingOf(own.ways) } : line;
	const plans = planAlternatives(settled, count > 1 && line ? Math.max(count, FILLED) : count);
	const whole = plans.map((plan): WholePlan => {
		if (!line) {
			const scales = scalesAlong(chart, settled.scale, 'one');
			const laid = withOwnNotes(
				{ chart, instrument, scales, fingers: [], position: settled.position },
				{ notes: targetNotes(chart, plan), targets: plan.targets },
				own
			);
			const landed = { ...plan, targets: laid.targets };
			return { plan: landed, notes: laid.notes, line: null, measures: null, cost: plan.cost };
		}
		const made = planLine({ ...settled, line: told ?? line }, plan.targets, work);
		const laid = withOwnNotes(
			{ chart, instrument, scales: work.scales, fingers: line.fingers, position: settled.position },
			{ notes: made.notes, targets: plan.targets },
			own
		);
		const measures = lineMeasures(chart, topLine(laid.notes), made.arrivals);
		const costs = made.costs();
		const ways = LINE_TERMS.reduce((sum, term) => sum + costs[term], 0);
		const cost = Math.round(1000 * plan.cost + ways) / 1000;
		const warnings = [...plan.warnings, ...made.warnings];
		const warned = { ...plan, targets: laid.targets, warnings };
		return { plan: warned, notes: laid.notes, line: made, measures, cost };
	});
	const chosen = whole.sort((a, b) => a.cost - b.cost).slice(0, count);
	if (chosen.length === count) return chosen;
	const message = `Only ${chosen.length} of ${count} plans are truly different here: open locks, or try another place or style.`;
	const fewer = { change: null, message };
	return chosen.map((made) => ({
		...made,
		plan: { ...made.plan, warnings: [...made.plan.warnings, fewer] }
	}));
}
