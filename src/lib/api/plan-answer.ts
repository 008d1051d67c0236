import { mean } from '$core/kernel';
import type { TimedChart, WholePlan } from '$core/route';
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

/** What leads from the moments that a line lands on to the changes and chords of the chart. */
type Back = Pick<TimedChart, 'changeOf' | 'eventOf'>;

/**
 * A plan as it is answered.
 * @param back leads to the changes and chords of the chart; without it they are those of the chart that was planned on
 */
export function answerOf(whole: WholePlan, back: Back | null = null): Answered {
	const changeOf = (change: number) => back?.changeOf[change] ?? change;
	const chordOf = (chord: number) => back?.eventOf[chord] ?? chord;
	return {
		position: whole.plan.position,
		windows: whole.plan.windows.map(({ change, position }) => ({
			change: changeOf(change),
			position
		})),
		cost: whole.cost,
		costs: costsOf(whole),
		targets: whole.plan.targets.map(
			({ change, tick, string, fret, midi, name, role, reasons }) => ({
				change: changeOf(change),
				tick,
				string,
				fret,
				midi,
				name,
				role,
				reasons: [...reasons]
			})
		),
		notes: whole.notes.map((note) => ({ ...note, chord: chordOf(note.chord) })),
		metrics: metricsOf(whole)
	};
}
