import { NO_LINE, NO_ANCHORS } from '$lib/api/route-schema';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { drillOf, inKey } from '$core/practice';
import { anchorOf } from '$core/route';
import { runRoute, type RouteRequest } from '$lib/api/route';
import type { RouteAnswer, TuneAnswer } from '$lib/api/notebook-schema';
import { DrillPlan } from './drill-plan.svelte';
import { OpenTune } from '../open-tune.svelte';
import type { Transport } from '../transport.svelte';
import type { PlayedRoute } from '../played';

vi.mock('$app/environment', () => ({ browser: true }));

const CHART =
	'title: Bottle Row\nkey: G blues\ntuning: D2 G2 D3 G3 B3 D4\ntempo: 90\n| G7 | C7 | G7 | D7 |\n';
const TUNE = {
	...{ id: '00000000-0000-4000-8000-000000000001', title: 'Bottle Row', chart: CHART },
	version: 3
} as TuneAnswer;

/** A saved route of the tune, planned as it was asked for. */
function saved(position: number, line: Partial<RouteAnswer['line']>): RouteAnswer {
	const wishes = { ...NO_LINE, ...line };
	const request: RouteRequest = {
		chart: CHART,
		instrument: { tuning: 'D2 G2 D3 G3 B3 D4' },
		route: { position, style: 'nearest', line: wishes, anchors: NO_ANCHORS }
	};
	const planned = runRoute(request);
	if ('error' in planned) throw new Error(planned.error[0].message);
	const { chart } = inKey(CHART, null);
	const plan = planned.value;
	const targets = plan.targets.map((target) => ({
		...target,
		...anchorOf(chart.changes[target.change])
	}));
	return {
		...{ id: '00000000-0000-4000-8000-000000000009', tuneId: TUNE.id, name: 'Glass' },
		...{ position, style: 'nearest', tuneVersion: 3, version: 1, createdAt: '', updatedAt: '' },
		line: wishes,
		anchors: NO_ANCHORS,
		plan: { ...plan, targets, changes: chart.changes.length } as unknown as RouteAnswer['plan']
	};
}

function open(route: RouteAnswer) {
	vi.stubGlobal('fetch', () => Promise.resolve(Response.json(route)));
	const tune = new OpenTune(TUNE, route.position);
	const transport = { route: null as PlayedRoute | null };
	const plan = new DrillPlan(tune, transport as unknown as Transport, () => 'a rule');
	const made = drillOf('free', tune.chart, { position: route.position, key: null });
	const drill = { ...made, routeId: route.id };
	return { tune, plan, transport, drill };
}
afterEach(() => {
	vi.unstubAllGlobals();
});

describe('a drill over a saved route', () => {
	it('is played with the route’s slide, straight across its fret', async () => {
		const route = saved(5, { slide: 1 });
		const { tune, plan, transport, drill } = open(route);
		await plan.make(drill);
		expect(tune.slide).toBe(1);
		expect(tune.held.slide?.[5]).toEqual([5]);
		expect(plan.made?.targets).toHaveLength(4);
		expect(plan.made?.targets.every(({ fret }) => fret === 5)).toBe(true);
		expect(plan.notes.every(({ fret }) => fret === 5)).toBe(true);
		expect(transport.route).toMatchObject({ silent: true, rule: 'a rule' });
		expect(await plan.about(route.id)).toEqual({ slide: 1, roams: false });
		// Another drill takes the slide off again.
		plan.close();
		expect(tune.slide).toBe(0);
	});

	it('says where the hand moves with every root', async () => {
		const route = saved(5, { slide: 1, block: true });
		const { plan, transport, drill } = open(route);
		expect(await plan.about(route.id)).toEqual({ slide: 1, roams: true });
		await plan.make(drill);
		const hand = plan.made?.targets.map(({ change }) => transport.route?.handAt(change));
		expect(hand).toEqual(plan.made?.targets.map(({ fret }) => Math.max(1, fret)));
		expect(new Set(hand).size).toBeGreaterThan(1);
	});

	it('is played with the fingers where the route is', async () => {
		const route = saved(5, {});
		const { tune, plan, drill } = open(route);
		tune.slide = 2;
		await plan.make(drill);
		expect(tune.slide).toBe(0);
		expect(await plan.about(route.id)).toEqual({ slide: 0, roams: false });
	});
});
