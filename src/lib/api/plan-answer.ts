import { mean } from '$core/kernel';
import type { WholePlan } from '$core/route';
import type { PlanAnswer } from './plan-schema';
import { ALL_TERMS } from './terms';

type Answered = PlanAnswer['plans'][number];

function metricsOf({ plan, measures }: WholePlan): Record<string, number> {
	const { targets } = plan;
	const moves = targets.slice(1).map((target, i) => Math.abs(target.midi - targets[i]!.midi));
	return {
		targets: targets.length,
		semitoneMoves: moves.filter((move) => move === 1).length,
		stays: moves.filter((move) => move === 0).length,
		largestMove: Math.max(0, ...moves),
		meanMove: mean(moves, 0),
		reaches: targets.filter((target) => target.reach).length,
		...measures
	};
}

function costsOf({ plan, line }: WholePlan): Answered['costs'] {
	const known: Record<string, number> = { ...plan.costs };
	for (const [term, cost] of Object.entries(line?.costs() ?? {})) known[term] = cost / 1000;
	return Object.fromEntries(ALL_TERMS.map((term) => [term, known[term] ?? 0])) as Answered['costs'];
}

/** A plan as it is answered. */
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
