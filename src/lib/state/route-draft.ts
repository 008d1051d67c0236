import { browser } from '$app/environment';
import { STYLES } from '$core/route';
import * as z from 'zod/mini';
import type { Wishes } from './route-plan.svelte';

const anchor = { bar: z.number(), beat: z.number(), pass: z.number() };
const schema = z.object({
	name: z.string(),
	position: z.number(),
	style: z.enum(STYLES),
	anchors: z.object({
		locks: z.array(z.object({ ...anchor, string: z.number(), fret: z.number() })),
		letPass: z.array(z.object(anchor))
	})
});

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
	if (wishes) sessionStorage.setItem(name, JSON.stringify(wishes));
	else sessionStorage.removeItem(name);
}

/** The unsaved wishes of an earlier visit, if there are any that can be read. */
export function keptWishes(tuneId: string, route: string | null, position: number): Wishes | null {
	if (!browser) return null;
	try {
		const text = sessionStorage.getItem(storeName(tuneId, route, position));
		return text === null ? null : schema.parse(JSON.parse(text));
	} catch {
		return null;
	}
}
