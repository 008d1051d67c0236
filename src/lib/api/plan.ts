import type { Chart } from '$core/chart';
import {
	placesInBar,
	planWhole,
	readCell,
	readyRoute,
	type ReadyRoute,
	type RouteWish
} from '$core/route';
import { answerOf } from './plan-answer';
import type { PlanAnswer, PlanInput } from './plan-schema';
import { asIssues, resolveSetting, type Outcome } from './resolve';

/** How readily chromatic notes come in where the request does not say. */
const USUAL_SPICE = 0.4;

function wayOf(chart: Chart, input: PlanInput): Outcome<RouteWish['way']> {
	const { grid } = input;
	if (grid === 'targets') return { value: null };
	const cell = readCell(input.cell ?? 'steady', placesInBar(chart, grid));
	if ('error' in cell) return { error: [{ path: 'cell', message: cell.error }] };
	const { anticipate = false, spice = USUAL_SPICE, seed = 0 } = input;
	return { value: { grid, cellOf: () => cell.value, anticipate, spice, seed } };
}

/** Reads a request, or says what is wrong with it. */
function resolvePlan(input: PlanInput): Outcome<ReadyRoute> {
	const setting = resolveSetting(input);
	if ('error' in setting) return setting;
	const way = wayOf(setting.value.chart, input);
	if ('error' in way) return way;
	const ready = readyRoute({
		...setting.value,
		holding: { slide: input.slide ?? 0, block: false },
		position: input.position,
		style: input.style,
		locks: input.locks ?? [],
		forbid: input.forbid ?? [],
		letPass: input.letPass ?? [],
		scales: {
			scalePlan: input.scalePlan ?? 'one',
			alternate: input.alternate ?? null,
			only: input.only ?? false,
			byHand: []
		},
		way: way.value
	});
	return 'error' in ready ? { error: asIssues(ready.error) } : ready;
}

/** Plans a route; the answer of `POST /api/v1/plan`. */
export function runPlan(input: PlanInput): Outcome<PlanAnswer> {
	const ready = resolvePlan(input);
	if ('error' in ready) return ready;
	const { request, line } = ready.value;
	const plans = planWhole(request, line, input.alternatives ?? 1);
	return {
		value: { plans: plans.map(answerOf), warnings: [...(plans[0]?.plan.warnings ?? [])] }
	};
}
