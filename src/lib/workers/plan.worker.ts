import { NO_LINE, NO_ANCHORS } from '$lib/api/route-schema';
import { expose } from 'comlink';
import type { Landing } from '$core/route';
import type { PlanAnswer } from '$lib/api/plan-schema';
import type { Outcome } from '$lib/api/resolve';
import {
	PlanDesk,
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

// The chart as it was read, and what earlier plans of it left: after one change only what changed is searched again.
let desk = new PlanDesk('');
function deskFor(chart: string): PlanDesk {
	if (desk.text !== chart) desk = new PlanDesk(chart);
	return desk;
}

const worker: PlanWorker = {
	plan(request, progress) {
		const { work } = deskFor(request.chart);
		work.onProgress = progress ?? null;
		return runRoute(request, desk);
	},
	alternatives: (request, count) => runAlternatives(request, count, deskFor(request.chart)),
	landings: (request, change) => runLandings(request, change, deskFor(request.chart))
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
