import { firstWishes } from '$lib/api/route-schema';
import { isFree } from './anchor-edit';
import type { OpenTune } from './open-tune.svelte';
import { boundAnchors } from './plan-request';
import type { RoutePlan } from './route-plan.svelte';

/**
 * Plans what nobody has to ask for: a first route, in the best place where the hand was not put anywhere yet;
 * and one whose chart or scales have changed since, where nothing of the player's own could be lost.
 * @param best the place where the chart lies best; null where it cannot be told.
 */
export async function planUnasked(
	plan: RoutePlan,
	open: OpenTune,
	best: () => Promise<number | null>
): Promise<void> {
	const planAs = async (why: NonNullable<RoutePlan['told']>) => {
		await plan.plan();
		if (plan.planned) plan.told = why;
	};
	const { saved } = plan;
	if (open.chart.changes.length === 0) return;
	if (plan.outdated) {
		if (isFree(plan.wishes.anchors)) await planAs('chart');
	} else if (saved) {
		const now = boundAnchors(open, saved.anchors).scales;
		if (JSON.stringify(now) !== JSON.stringify(saved.anchors.scales)) await planAs('scale');
	} else if (!plan.planned) {
		plan.seeking = !open.placed;
		const place = open.placed ? null : await best().finally(() => (plan.seeking = false));
		if (plan.planned || plan.planning) return;
		if (place !== null) {
			open.moveTo(place);
			plan.history.reset(firstWishes(open.position));
		}
		await planAs(place === null ? 'here' : 'best');
	}
}
