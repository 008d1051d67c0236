import { expose } from 'comlink';
import { parseChart } from '$core/chart';
import { scaleInUse } from '$core/harmony';
import { rankLandings, type Landing } from '$core/route';
import { runPlan } from '$lib/api/plan';
import type { PlanAnswer, PlanInput } from '$lib/api/plan-schema';
import { resolveInstrument, type Outcome } from '$lib/api/resolve';

export type PlanWorker = {
	plan: (input: PlanInput) => Outcome<PlanAnswer>;
	landings: (input: PlanInput & { position: number }, change: number) => Landing[];
};

const worker: PlanWorker = {
	plan: runPlan,
	landings(input, change) {
		const chart = parseChart(input.chart);
		const instrument = resolveInstrument(chart, input.instrument);
		if ('issues' in instrument) return [];
		return rankLandings(
			{
				chart,
				instrument: instrument.value,
				scale: scaleInUse(chart).scale,
				position: input.position,
				style: input.style,
				locks: input.locks ?? [],
				forbid: input.forbid ?? [],
				letPass: input.letPass ?? []
			},
			change
		);
	}
};

// The first plan in a cold engine is many times slower: warm it before it is asked for.
worker.plan({ chart: '| Dm7 | G7 | C | A7 |', position: 5, style: 'nearest', grid: 'targets' });
expose(worker);
