import type { Chart } from '$core/chart';
import type { Scale } from '$core/harmony';
import { withSlide } from '$core/neck';
import {
	blendScale,
	chordsPlayed,
	placeHand,
	placesInBar,
	planWhole,
	readCell,
	scalesAlong,
	type LineWishes,
	type LineWork,
	type PlanRequest,
	type WholePlan
} from '$core/route';
import type { Issue } from './chart-schema';
import type { PlanAnswer, PlanInput } from './plan-schema';
import { ALL_TERMS } from './terms';
import { resolveSetting, type Outcome } from './resolve';

/** How readily chromatic notes come in where the request does not say. */
const USUAL_SPICE = 0.4;

/** Wishes that only routes have, besides those of the public request. */
export type Extras = {
	readonly line?: Partial<
		Pick<LineWishes, 'airAt' | 'byHand' | 'direction' | 'frozen' | 'fingers' | 'arrive' | 'cellOf'>
	>;
	readonly leans?: PlanRequest['leans'];
	/** Where the hand is at each change, set by hand; takes the place of the position. */
	readonly windows?: readonly number[];
	/** Under a slide that moves as a block: the position whose frets the others take after. */
	readonly slideFrom?: number;
};

function lineOf(chart: Chart, input: PlanInput, extras: Extras): Outcome<LineWishes | null> {
	if (input.grid === 'targets') return { value: null };
	const cell = readCell(input.cell ?? 'steady', placesInBar(chart, input.grid));
	if (typeof cell === 'string') return { issues: [{ path: 'cell', message: cell }] };
	return {
		value: {
			grid: input.grid,
			cellOf: () => cell,
			scalePlan: input.scalePlan ?? 'one',
			anticipate: input.anticipate ?? false,
			spice: input.spice ?? USUAL_SPICE,
			seed: input.seed ?? 0,
			alternate: input.alternate ?? null,
			only: input.only ?? false,
			...extras.line
		}
	};
}

function metricsOf({ plan, measures }: WholePlan): Record<string, number> {
	const { targets } = plan;
	const moves = targets.slice(1).map((target, i) => Math.abs(target.midi - targets[i].midi));
	return {
		targets: targets.length,
		semitoneMoves: moves.filter((move) => move === 1).length,
		stays: moves.filter((move) => move === 0).length,
		largestMove: Math.max(0, ...moves),
		meanMove: moves.length > 0 ? moves.reduce((sum, move) => sum + move, 0) / moves.length : 0,
		reaches: targets.filter((target) => target.reach).length,
		...measures
	};
}

type Answered = PlanAnswer['plans'][number];

function costsOf({ plan, line }: WholePlan): Answered['costs'] {
	const known: Record<string, number> = { ...plan.costs };
	for (const [term, cost] of Object.entries(line?.costs() ?? {})) known[term] = cost / 1000;
	return Object.fromEntries(ALL_TERMS.map((term) => [term, known[term] ?? 0])) as Answered['costs'];
}

export const answerOf = (whole: WholePlan): Answered => ({
	position: whole.plan.position,
	windows: [...whole.plan.windows],
	cost: whole.cost,
	costs: costsOf(whole),
	targets: whole.plan.targets.map(({ change, tick, string, fret, midi, name, role, reasons }) => ({
		change,
		tick,
		string,
		fret,
		midi,
		name,
		role,
		reasons: [...reasons]
	})),
	notes: whole.notes.map((note) => ({ ...note })),
	metrics: metricsOf(whole)
});

/** What a plan needs besides its request; all optional. */
export type PlanContext = {
	readonly extras?: Extras;
	/** What earlier plans of the same chart left. */
	readonly work?: LineWork;
};

/** A request read, checked and with its hand placed. */
export type Prepared = { readonly request: PlanRequest; readonly line: LineWishes | null };

/** The scales whose notes alone are landed on, by event. */
function scalesKept(chart: Chart, scale: Scale | null, input: PlanInput, { line }: Extras) {
	const inUse = input.style === 'blend' ? blendScale(chart, scale) : scale;
	const plan = input.scalePlan === 'arpeggio' ? 'one' : (input.scalePlan ?? 'one');
	return scalesAlong(chart, inUse, plan, line?.byHand, input.alternate);
}

/** Reads a request and settles where the hand is, or says what is wrong with it. */
export function prepare(input: PlanInput, extras: Extras = {}): Outcome<Prepared> {
	const setting = resolveSetting(input);
	if ('issues' in setting) return setting;
	const { chart, scale, instrument } = setting.value;
	const line = lineOf(chart, input, extras);
	if ('issues' in line) return line;
	const { slideFrom } = extras;
	const chords = chordsPlayed(chart);
	const held = input.slide
		? withSlide(instrument, input.slide, { scale, from: slideFrom, chords })
		: instrument;
	const placed = placeHand({
		chart,
		instrument: held,
		scale,
		position: input.position,
		style: input.style,
		locks: input.locks ?? [],
		forbid: input.forbid ?? [],
		letPass: input.letPass ?? [],
		leans: extras.leans,
		only: input.only ? scalesKept(chart, scale, input, extras) : undefined,
		windows: extras.windows
	});
	if ('issues' in placed) {
		const issues = placed.issues.map(({ path, message }): Issue => ({
			path: path.join('.'),
			message
		}));
		return { issues };
	}
	return { value: { request: placed.request, line: line.value } };
}

/** Plans a route with everything that the planner knows of it. */
export function runWhole(
	input: PlanInput,
	{ extras = {}, work }: PlanContext = {}
): Outcome<WholePlan[]> {
	const ready = prepare(input, extras);
	if ('issues' in ready) return ready;
	const { request, line } = ready.value;
	return { value: planWhole(request, line, input.alternatives ?? 1, work) };
}

/** Plans a route; the answer of `POST /api/v1/plan`, the same in the browser and on the server. */
export function runPlan(input: PlanInput, context: PlanContext = {}): Outcome<PlanAnswer> {
	const made = runWhole(input, context);
	if ('issues' in made) return made;
	const plans = made.value;
	return {
		value: { plans: plans.map(answerOf), warnings: [...(plans[0]?.plan.warnings ?? [])] }
	};
}
