import { chartTicks, type Chart } from '$core/chart';
import { planRoute, type Plan } from '$core/route';
import type { PlanAnswer, PlanInput } from './plan-schema';
import { resolveChart, resolveInstrument, resolveScale, type Outcome } from './resolve';

function metrics({ targets }: Plan): Record<string, number> {
	const moves = targets.slice(1).map((target, i) => Math.abs(target.midi - targets[i].midi));
	return {
		targets: targets.length,
		semitoneMoves: moves.filter((move) => move === 1).length,
		stays: moves.filter((move) => move === 0).length,
		largestMove: Math.max(0, ...moves),
		meanMove: moves.length > 0 ? moves.reduce((sum, move) => sum + move, 0) / moves.length : 0,
		reaches: targets.filter((target) => target.reach).length
	};
}

/** Targets as notes: each rings until the next target begins or its chord ends. */
function notes(chart: Chart, { targets }: Plan): PlanAnswer['plans'][number]['notes'] {
	return targets.map((target, i) => {
		const { to } = chart.changes[target.change];
		const next = targets[i + 1]?.tick ?? chartTicks(chart);
		const end = Math.min(next, to.startTick + to.durationTicks);
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

/** Plans a route; the answer of `POST /api/v1/plan`, the same in the browser and on the server. */
export function runPlan(input: PlanInput): Outcome<PlanAnswer> {
	const read = resolveChart(input.chart);
	if ('issues' in read) return read;
	const chart = read.value;
	const scale = resolveScale(chart, input.scale);
	if ('issues' in scale) return scale;
	const instrument = resolveInstrument(chart, input.instrument);
	if ('issues' in instrument) return instrument;
	const planned = planRoute({
		chart,
		instrument: instrument.value,
		scale: scale.value,
		position: input.position,
		style: input.style,
		locks: input.locks ?? [],
		forbid: input.forbid ?? [],
		letPass: input.letPass ?? []
	});
	if ('issues' in planned) {
		return {
			issues: planned.issues.map(({ path, message }) => ({ path: path.join('.'), message }))
		};
	}
	const { plan } = planned;
	return {
		value: {
			plans: [
				{
					position: plan.position,
					cost: plan.cost,
					costs: plan.costs,
					targets: plan.targets.map(
						({ change, tick, string, fret, midi, name, role, reasons }) => ({
							change,
							tick,
							string,
							fret,
							midi,
							name,
							role,
							reasons: [...reasons]
						})
					),
					notes: notes(chart, plan),
					metrics: metrics(plan)
				}
			],
			warnings: [...plan.warnings]
		}
	};
}
