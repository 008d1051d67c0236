import { notation } from '$core/pitch';
import type { RouteAnswer, TuneAnswer } from '$lib/api/notebook-schema';
import { runRoute } from '$lib/api/route';
import { NO_ANCHORS, NO_LINE } from '$lib/api/route-schema';
import type { Planner } from '$lib/workers/planner';
import { OpenTune } from './open-tune.svelte';
import { RoutePlan } from './route-plan.svelte';

export const CHART =
	'key: Bb blues\n| Bb7 | Eb7 | Bb7 | % |\n| Eb7 | Edim7 | Bb7 | G7alt |\n| Cm7 | F7 | Bb7 G7 | Cm7 F7 |';

export const tune = (over: Partial<TuneAnswer> = {}): TuneAnswer => ({
	id: '00000000-0000-4000-8000-000000000001',
	title: 'Test',
	key: 'Bb blues',
	tempo: 104,
	feel: 'shuffle',
	bars: 12,
	chart: CHART,
	version: 1,
	createdAt: '',
	updatedAt: '',
	...over
});

/** The planner without its worker: the same entry, called at once. */
const direct = { plan: (request) => Promise.resolve(runRoute(request)) } as Pick<
	Planner,
	'plan'
> as Planner;

export function open(route: RouteAnswer | null = null, over: Partial<TuneAnswer> = {}) {
	const opened = new OpenTune(tune(over), 6);
	return { opened, plan: new RoutePlan(opened, () => direct, route) };
}

export const saved = (over: Partial<RouteAnswer> = {}): RouteAnswer => ({
	id: '00000000-0000-4000-8000-000000000002',
	tuneId: tune().id,
	name: 'Mine',
	position: 6,
	style: 'nearest',
	line: NO_LINE,
	anchors: NO_ANCHORS,
	plan: {
		cost: 1,
		changes: 13,
		notes: [],
		targets: [
			{
				bar: 1,
				beat: 1,
				pass: 1,
				tick: 0,
				string: 3,
				fret: 7,
				midi: 62,
				name: notation('D'),
				role: '3',
				symbol: notation('Bb7'),
				reasons: []
			},
			{
				bar: 40,
				beat: 1,
				pass: 1,
				tick: 0,
				string: 3,
				fret: 7,
				midi: 62,
				name: notation('D'),
				role: '3',
				symbol: notation('Bb7'),
				reasons: []
			},
			{
				bar: 2,
				beat: 1,
				pass: 1,
				tick: 0,
				string: 3,
				fret: 7,
				midi: 62,
				name: notation('D'),
				role: '3',
				symbol: notation('Bb7'),
				reasons: []
			}
		]
	},
	tuneVersion: 1,
	version: 1,
	createdAt: '',
	updatedAt: '',
	...over
});
