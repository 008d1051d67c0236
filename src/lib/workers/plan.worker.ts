import { expose } from 'comlink';
import { LineWork, type Landing } from '$core/route';
import type { PlanAnswer } from '$lib/api/plan-schema';
import { NO_ANCHORS, NO_LINE } from '$lib/api/route-defaults';
import type { Outcome } from '$lib/api/resolve';
import {
	runAlternatives,
	runLandings,
	runRoute,
	type PlannedRoute,
	type RouteRequest
} from '$lib/api/route';

export type PlanWorker = {
	plan: (request: RouteRequest, progress?: (share: number) => void) => Outcome<PlannedRoute>;
	alternatives: (request: RouteRequest, count: number) => Outcome<PlanAnswer['plans']>;
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
	alternatives: (request, count) => runAlternatives(request, count, workOn(request.chart)),
	landings: runLandings
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
