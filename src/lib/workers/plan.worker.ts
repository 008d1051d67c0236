import { expose } from 'comlink';
import { parseChart } from '$core/chart';
import { scaleInUse } from '$core/harmony';
import { changeAt, LineWork, rankLandings, type Landing } from '$core/route';
import { NO_ANCHORS, NO_LINE } from '$lib/api/route-defaults';
import { resolveInstrument, type Outcome } from '$lib/api/resolve';
import { runRoute, type PlannedRoute, type RouteRequest } from '$lib/api/route';

export type PlanWorker = {
	plan: (request: RouteRequest, progress?: (share: number) => void) => Outcome<PlannedRoute>;
	landings: (request: RouteRequest, change: number) => Landing[];
};

// What earlier plans of the chart left: after one change only what changed is searched again.
let workFor = '';
let work = new LineWork();
function workOn(chart: string): LineWork {
	if (workFor !== chart) [workFor, work] = [chart, new LineWork()];
	return work;
}

const worker: PlanWorker = {
	plan(request, progress) {
		const kept = workOn(request.chart);
		kept.onProgress = progress ?? null;
		return runRoute(request, kept);
	},
	landings({ chart: text, instrument: input, route }, change) {
		const chart = parseChart(text);
		const instrument = resolveInstrument(chart, input);
		if ('issues' in instrument) return [];
		const { anchors } = route;
		return rankLandings(
			{
				chart,
				instrument: instrument.value,
				scale: scaleInUse(chart).scale,
				position: route.position,
				style: route.style,
				locks: anchors.locks.flatMap((lock) => {
					const at = changeAt(chart, lock);
					return at ? [{ change: at.index, string: lock.string, fret: lock.fret }] : [];
				}),
				forbid: [],
				letPass: anchors.letPass.flatMap((anchor) => changeAt(chart, anchor)?.index ?? [])
			},
			change
		);
	}
};

// The first plan in a cold engine is many times slower: warm it before it is asked for.
runRoute({
	chart: '| Dm7 | G7 | C | A7 |',
	instrument: undefined,
	route: {
		position: 5,
		style: 'nearest',
		line: { ...NO_LINE, grid: 'eighth' },
		anchors: NO_ANCHORS
	}
});
expose(worker);
