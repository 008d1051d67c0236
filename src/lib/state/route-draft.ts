import { browser } from '$app/environment';
import { APPROACHES, GRIDS, LEANS, SCALE_PLANS, STYLES, TECHNIQUES } from '$core/route';
import * as z from 'zod/mini';
import type { Wishes } from './wishes';
import { keptInTab } from './browser-store.svelte';

const anchor = { bar: z.number(), beat: z.number(), pass: z.number() };
const place = { string: z.number(), fret: z.number() };
const list = <T extends z.core.$ZodShape>(shape: T) => z.array(z.object({ ...anchor, ...shape }));
const note = z.object({
	...place,
	offset: z.number(),
	durationTicks: z.number(),
	finger: z.optional(z.nullable(z.number())),
	technique: z.optional(z.nullable(z.enum(TECHNIQUES)))
});
const pentatonic = z.nullable(z.enum(['major', 'minor']));
const schema = z.object({
	name: z.string(),
	position: z.number(),
	style: z.enum(STYLES),
	line: z.object({
		grid: z.enum(GRIDS),
		scalePlan: z.enum(SCALE_PLANS),
		alternate: z.catch(z.object({ four: pentatonic, five: pentatonic }), {
			...{ four: null, five: null }
		}),
		only: z.catch(z.boolean(), false),
		cell: z.string(),
		cells: z.array(z.object({ section: z.string(), cell: z.string() })),
		anticipate: z.boolean(),
		spice: z.number(),
		seed: z.number(),
		direction: z.nullable(z.enum(['up', 'down'])),
		roam: z.nullable(
			z.object({ frets: z.number(), wish: z.nullable(z.enum(['climb', 'stay', 'descend'])) })
		),
		slide: z.catch(z.union([z.literal(0), z.literal(1), z.literal(2)]), 0),
		block: z.catch(z.boolean(), false),
		talk: z.catch(
			z.array(z.object({ section: z.nullable(z.string()), play: z.number(), air: z.number() })),
			[]
		),
		places: z.array(z.object({ section: z.string(), position: z.number() }))
	}),
	anchors: z.object({
		locks: list(place),
		letPass: list({ own: z.optional(z.boolean()) }),
		forbid: z.array(z.object(place)),
		frozen: list({ notes: z.array(note) }),
		fingers: list({ ...place, offset: z.number(), finger: z.number() }),
		arrive: list({ approach: z.enum(APPROACHES) }),
		leans: list({ wish: z.enum(LEANS) }),
		scales: list({ tonic: z.string(), name: z.string() })
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
	if (wishes) keptInTab.set(name, JSON.stringify(wishes));
	else keptInTab.remove(name);
}

/** The unsaved wishes of an earlier visit, if there are any that can be read. */
export function keptWishes(tuneId: string, route: string | null, position: number): Wishes | null {
	if (!browser) return null;
	try {
		const text = keptInTab.get(storeName(tuneId, route, position));
		return text === null ? null : schema.parse(JSON.parse(text));
	} catch {
		return null;
	}
}
