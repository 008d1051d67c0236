import { barAt, changeIndexAt, type Chart } from '$core/chart';
import { prefs } from '$lib/state/prefs.svelte';
import { type Check, type Fix } from '$core/route';

/** A place of a line that could be better: where, why, and what would mend it. */
export type WeakSpot = {
	readonly tick: number;
	/** The change that it belongs to. */
	readonly change: number;
	readonly where: string;
	readonly text: string;
	readonly fix: Fix | null;
	/** Nothing sounds at a change that is to be landed on. */
	readonly silent: boolean;
};

/** The weak spots of a line in order of time: changes that do not land, clashes and strays that hang. */
export function weakSpots(
	chart: Chart,
	check: Check | null,
	letPass: (change: number) => boolean
): WeakSpot[] {
	if (!check) return [];
	const bar = (tick: number) => barAt(chart, tick).index + 1;
	const spots: WeakSpot[] = [];
	for (const { index, result, fix } of check.changes) {
		// What leans was meant: it is told, there is nothing to mend.
		if (result === 'landed' || result === 'leaning' || letPass(index)) continue;
		const change = chart.changes[index];
		const words = { late: 'comes late', missed: 'is missed', silent: 'is silent' }[result];
		spots.push({
			tick: change.tick,
			change: index,
			where: `bar ${change.bar}`,
			text: prefs.prose(`${change.to.symbol} ${words}. ${fix?.text ?? ''}`.trim()),
			fix,
			silent: result === 'silent'
		});
	}
	const hanging = [
		...check.clashes.map((stray) => ({ stray, what: 'clashes and is left hanging' })),
		...check.outside.map((stray) => ({ stray, what: 'comes from outside and does not resolve' }))
	].filter(({ stray }) => !stray.resolved);
	for (const { stray, what } of hanging) {
		spots.push({
			tick: stray.tick,
			change: Math.max(0, changeIndexAt(chart, stray.tick)),
			where: `bar ${bar(stray.tick)}`,
			text: prefs.prose(`The ${stray.name} ${what}.`),
			fix: null,
			silent: false
		});
	}
	return spots.sort((a, b) => a.tick - b.tick);
}
