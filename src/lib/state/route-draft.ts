import { wishesInput, type Wishes } from '$lib/api/route-schema';
import { browser } from '$app/environment';
import { keptInTab } from './browser-store.svelte';

/** A saved route, or a place of a tune that has none yet. */
const storeName = (tuneId: string, route: string | null, position: number): string =>
	`arc-step-route-${tuneId}-${route ?? `place-${position}`}`;

/** Keeps unsaved wishes in this browser, so that leaving the screen loses no lock; null forgets them. */
export function keepWishes(
	tuneId: string,
	route: string | null,
	position: number,
	wishes: Wishes | null
): void {
	if (!browser) return;
	const name = storeName(tuneId, route, position);
	if (wishes) keptInTab.set(name, JSON.stringify(wishes));
	else keptInTab.remove(name);
}

/** The unsaved wishes of an earlier visit, if there are any that can be read. */
export function keptWishes(tuneId: string, route: string | null, position: number): Wishes | null {
	if (!browser) return null;
	try {
		const text = keptInTab.get(storeName(tuneId, route, position));
		return text === null ? null : wishesInput.parse(JSON.parse(text));
	} catch {
		return null;
	}
}
