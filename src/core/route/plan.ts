import type { Result } from '../kernel';
import { inWindow, lastPosition, windowPlaces } from '../neck';
import { blendScale } from './scale-plan';
import { differentPaths } from './targets/alternatives';
import { checkRequest, planSteps, type OpenRequest, type Roam } from './targets/candidates';
import type { Step } from './targets/step';
import { buildLattice, pathCosts } from './targets/lattice';
import { landingReasons } from './targets/reasons';
import { roamWindows } from './targets/roam';
import { solve } from './targets/solve';
import { WEIGHTS } from './targets/landing-prices';
import {
	positionAt,
	TERMS,
	type HandWindow,
	type Plan,
	type PlanRequest,
	type PlanWarning,
	type RequestIssue,
	type Target
} from './types';

function toTargets(
	request: PlanRequest,
	steps: readonly Step[],
	path: readonly number[]
): Target[] {
	return steps.map((step, i) => {
		const chosen = step.candidates[path[i]!]!;
		const before = i > 0 ? steps[i - 1]!.candidates[path[i - 1]!]! : null;
		return {
			change: step.change.index,
			tick: step.change.tick,
			string: chosen.string,
			fret: chosen.fret,
			midi: chosen.midi,
			name: chosen.tone.name,
			role: chosen.tone.role,
			finger: request.instrument.slide ? null : chosen.finger,
			reach: chosen.reach,
			locked: step.locked,
			reasons: landingReasons(request, step, before, chosen)
		};
	});
}

const units = (thousandths: number): number => thousandths / 1000;

/** Kinds of tones that a mirror may land on everywhere, and what each costs a landing. */
const MIRRORED = [
	['third', 0],
	['root', WEIGHTS.mirrorRoot],
	['fifth', WEIGHTS.mirrorFifth]
] as const;

/**
 * What a style means for one request: a blend draws on the minor pentatonic of the tonic; a mirror
 * chooses the kind of tone that every change lands on, the cheapest over the whole chart.
 */
export function settle(request: PlanRequest): PlanRequest {
	if (request.style === 'blend') {
		return { ...request, scale: blendScale(request.chart, request.scale) };
	}
	if (request.style !== 'mirror' || request.mirrored) return request;
	let best = request;
	let least = Infinity;
	for (const [mirrored, price] of MIRRORED) {
		const wanted = { ...request, mirrored };
		const { steps, warnings } = planSteps(wanted);
		const cost =
			solve(buildLattice(wanted, steps)).cost +
			price * steps.length +
			WEIGHTS.unserved * warnings.length;
		if (cost < least) [best, least] = [wanted, cost];
	}
	return best;
}

/** Where the hand is from which change on. */
function handWindows(request: PlanRequest): HandWindow[] {
	const windows: HandWindow[] = [];
	for (const { index } of request.chart.changes) {
		const position = positionAt(request, index);
		if (windows.at(-1)?.position !== position) windows.push({ change: index, position });
	}
	return windows;
}

function toPlan(
	request: PlanRequest,
	steps: readonly Step[],
	path: readonly number[],
	warnings: readonly PlanWarning[]
): Plan {
	const named = pathCosts(request, steps, path);
	const costs = { ...named };
	let cost = 0;
	for (const term of TERMS) {
		cost += named[term];
		costs[term] = units(named[term]);
	}
	const windows = handWindows(request);
	return {
		position: windows[0]?.position ?? request.position,
		windows,
		cost: units(cost),
		costs,
		targets: toTargets(request, steps, path),
		warnings
	};
}

/** Under a slide: the chords whose third none of the frets holds that it lies on, each told once. */
function withoutThird(request: PlanRequest): PlanWarning[] {
	const { instrument, chart, letPass } = request;
	if (!instrument.slide) return [];
	const told = new Set<string>();
	return chart.changes.flatMap(({ index, to }): PlanWarning[] => {
		const third = to.chord.tones.find(({ role }) => role === '3' || role === 'b3');
		if (!third || letPass.includes(index)) return [];
		const position = positionAt(request, index);
		const at = `${to.symbol} ${position}`;
		const held = windowPlaces(instrument, position).some(({ midi }) => midi % 12 === third.pc);
		if (held || told.has(at)) return [];
		told.add(at);
		const message = `The slide has no third of ${to.symbol} (${third.name}) there: give it two frets, let it move with the root, or tune the strings to a chord.`;
		return [{ change: index, message }];
	});
}

/**
 * Plans one target per change inside one position (or where `windows` puts the hand): the sequence of
 * places with the least sum of named costs, found exactly. Locks are kept, forbidden places avoided,
 * let-pass changes skipped. The request must be valid (`checkRequest`).
 */
export function planTargets(request: PlanRequest): Plan {
	const settled = settle(request);
	const { steps, warnings } = planSteps(settled);
	const told = [...warnings, ...withoutThird(settled)];
	return toPlan(settled, steps, solve(buildLattice(settled, steps)).path, told);
}

/** Up to `count` truly different plans for one request, cheapest first; fewer where there are no more. */
export function planAlternatives(request: PlanRequest, count: number): Plan[] {
	const settled = settle(request);
	const { steps, warnings } = planSteps(settled);
	const lattice = buildLattice(settled, steps);
	const told = [...warnings, ...withoutThird(settled)];
	return differentPaths(lattice, count)
		.map((path) => toPlan(settled, steps, path, told))
		.sort((a, b) => a.cost - b.cost);
}

/**
 * Where the chart lies best: the position with the cheapest plan, the lowest of equals. Positions that
 * do not hold every locked place are left out; null when none is left.
 */
function bestPosition(request: Omit<PlanRequest, 'position'>): number | null {
	let best: number | null = null;
	let least = Infinity;
	for (let position = 1; position <= lastPosition(request.instrument); position++) {
		if (!request.locks.every((lock) => inWindow(request.instrument, position, lock))) continue;
		const plan = planTargets({ ...request, position });
		const served = plan.targets.length + request.letPass.length;
		const missing = request.chart.changes.length - served;
		const total = plan.cost + units(WEIGHTS.unserved) * missing;
		if (total < least) [best, least] = [position, total];
	}
	return best;
}

const isRoam = (position: OpenRequest['position']): position is Roam =>
	typeof position === 'object';

/**
 * Checks a request and settles where the hand is: the position given, the best one, or a walk along the
 * neck.
 * @returns a request that can be planned, or what is wrong with this one
 */
export function placeHand(request: OpenRequest): Result<PlanRequest, readonly RequestIssue[]> {
	const issues = checkRequest(request);
	if (issues.length > 0) return { error: issues };
	const { position } = request;
	if (isRoam(position)) {
		const roaming = settle({ ...request, position: 1 });
		const windows = roamWindows(roaming, position);
		const message = 'No walk along the neck reaches all the locked places.';
		if (!windows) return { error: [{ path: ['position'], message }] };
		return { value: { ...request, position: windows[0] ?? 1, windows } };
	}
	if (position !== 'best') return { value: { ...request, position } };
	const best = bestPosition(request);
	const message = 'No position reaches all the locked places at once.';
	if (best === null) return { error: [{ path: ['position'], message }] };
	return { value: { ...request, position: best } };
}

/**
 * Checks a request and plans its targets, in the position given or in the best one.
 * @returns the plan, or what is wrong with the request.
 */
export function planRoute(request: OpenRequest): Result<Plan, readonly RequestIssue[]> {
	const placed = placeHand(request);
	return 'error' in placed ? placed : { value: planTargets(placed.value) };
}
