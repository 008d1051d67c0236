import { describe, expect, it } from 'vitest';
import { NO_ANCHORS } from '$lib/api/route-schema';
import { planUnasked } from './plan-unasked';
import { open, saved } from './test-route';

const lies = (place: number | null) => () => Promise.resolve(place);
/** A tune whose hand nobody has put anywhere yet. */
function unplaced() {
	const made = open();
	made.opened.placed = false;
	return made;
}
const never = () => {
	throw new Error('nobody asked where it lies best');
};

describe('what is planned unasked', () => {
	it('is a first route, in the best place', async () => {
		const { plan, opened } = unplaced();
		await planUnasked(plan, opened, lies(9));
		expect([opened.position, plan.told, plan.targets.length]).toEqual([9, 'best', 13]);
		// The place is where it begins: a step back does not lead out of it.
		expect(plan.history.canUndo).toBe(false);
	});

	it('is planned where the hand is when it was put there, or no best place is known', async () => {
		const { plan, opened } = open();
		opened.moveTo(3);
		await planUnasked(plan, opened, never);
		expect([opened.position, plan.told, plan.planned]).toEqual([3, 'here', true]);
		const other = unplaced();
		await planUnasked(other.plan, other.opened, lies(null));
		expect([other.opened.position, other.plan.told]).toEqual([6, 'here']);
	});

	it('is left to what the player began while the best place was sought', async () => {
		const { plan, opened } = unplaced();
		await planUnasked(plan, opened, async () => {
			expect(plan.seeking).toBe(true);
			await plan.plan();
			return 9;
		});
		expect([opened.position, plan.told, plan.seeking]).toEqual([6, null, false]);
	});

	it('is nothing for a chart without a change, and what fails on the way is told', async () => {
		const { plan, opened } = open(null, { chart: 'title: Empty' });
		await planUnasked(plan, opened, never);
		expect([plan.planned, plan.told]).toEqual([false, null]);
		const other = unplaced();
		await expect(
			planUnasked(other.plan, other.opened, () => Promise.reject(new Error('away')))
		).rejects.toThrow('away');
		expect(other.plan.seeking).toBe(false);
	});

	it('is a saved route anew where its chart has changed and nothing of the player’s own is fixed', async () => {
		const { plan, opened } = open(saved(), { version: 2 });
		await planUnasked(plan, opened, never);
		expect([plan.told, plan.outdated, plan.dirty]).toEqual(['chart', false, true]);

		const lock = { bar: 1, beat: 1, pass: 1, string: 3, fret: 7, note: 'D' } as never;
		const fixed = open(saved({ anchors: { ...NO_ANCHORS, locks: [lock] } }), { version: 2 });
		await planUnasked(fixed.plan, fixed.opened, never);
		expect([fixed.plan.told, fixed.plan.outdated]).toEqual([null, true]);
	});

	it('leaves a saved route alone that still fits', async () => {
		const { plan, opened } = open(saved());
		await planUnasked(plan, opened, never);
		expect([plan.told, plan.dirty]).toEqual([null, false]);
	});
});
