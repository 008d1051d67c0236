import { inWindow, lastPosition } from '../neck';
import { checkRequest, planSteps, type OpenRequest, type Step } from './candidates';
import { buildLattice, pathCosts } from './lattice';
import { landingReasons } from './reasons';
import { solve } from './solve';
import {
	TERMS,
	type Plan,
	type PlanRequest,
	type RequestIssue,
	type Target,
	type Term
} from './types';
import { WEIGHTS } from './weights';

function toTargets(
	request: PlanRequest,
	steps: readonly Step[],
	path: readonly number[]
): Target[] {
	return steps.map((step, i) => {
		const chosen = step.candidates[path[i]];
		const before = i > 0 ? steps[i - 1].candidates[path[i - 1]] : null;
		return {
			change: step.change.index,
			tick: step.change.tick,
			string: chosen.string,
			fret: chosen.fret,
			midi: chosen.midi,
			name: chosen.tone.name,
			role: chosen.tone.role,
			finger: chosen.finger,
			reach: chosen.reach,
			locked: step.locked,
			reasons: landingReasons(request, step, before, chosen)
		};
	});
}

const units = (thousandths: number): number => thousandths / 1000;

/**
 * Plans one target per change inside one position: the sequence of places with the least sum of
 * named costs, found exactly. Locks are kept, forbidden places avoided, let-pass changes skipped.
 * The request must be valid (`checkRequest`).
 */
export function planTargets(request: PlanRequest): Plan {
	const { steps, warnings } = planSteps(request);
	const { path, cost } = solve(buildLattice(request, steps));
	const named = pathCosts(request, steps, path);
	const costs = Object.fromEntries(TERMS.map((term) => [term, units(named[term] ?? 0)])) as Record<
		Term,
		number
	>;
	return {
		position: request.position,
		cost: units(cost),
		costs,
		targets: toTargets(request, steps, path),
		warnings
	};
}

/**
 * Plans where the chart lies best: the position with the cheapest plan, the lowest of equals.
 * Positions that do not hold every locked place are left out; null when none is left.
 */
function planBest(request: OpenRequest): Plan | null {
	let best: Plan | null = null;
	let least = Infinity;
	for (let position = 1; position <= lastPosition(request.instrument); position++) {
		const here = { ...request, position };
		if (!request.locks.every((lock) => inWindow(request.instrument, position, lock))) continue;
		const plan = planTargets(here);
		const served = plan.targets.length + request.letPass.length;
		const missing = request.chart.changes.length - served;
		const total = plan.cost + units(WEIGHTS.unserved) * missing;
		if (total < least) [best, least] = [plan, total];
	}
	return best;
}

/**
 * Checks a request and plans it, in the position given or in the best one.
 * @returns the plan, or what is wrong with the request.
 */
export function planRoute(request: OpenRequest): { plan: Plan } | { issues: RequestIssue[] } {
	const issues = checkRequest(request);
	if (issues.length > 0) return { issues };
	const { position } = request;
	if (position !== 'best') return { plan: planTargets({ ...request, position }) };
	const plan = planBest(request);
	const message = 'No position reaches all the locked places at once.';
	return plan ? { plan } : { issues: [{ path: ['position'], message }] };
}
