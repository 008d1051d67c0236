import { browser } from '$app/environment';
import { buildScale, type Scale } from '$core/harmony';
import { noteName, parseNote } from '$core/pitch';
import * as z from 'zod/mini';
import { keptHere } from './browser-store.svelte';

const schema = z.record(z.string(), z.object({ tonic: z.string(), name: z.string() }));
type Stored = z.infer<typeof schema>;

/** The scales that a player chose for single chords of a tune, by chord symbol; kept in this browser. */
export class ChordScales {
	private chosen: Stored = $state.raw({});
	private tune = '';

	private get store(): string {
		return `arc-step-scales-${this.tune}`;
	}

	/** Takes up a tune; call in the browser when it opens. */
	load(tune: string): void {
		this.tune = tune;
		this.chosen = {};
		if (!browser) return;
		try {
			const found = schema.safeParse(JSON.parse(keptHere.get(this.store) ?? '{}'));
			if (found.success) this.chosen = found.data;
		} catch {
			keptHere.remove(this.store);
		}
	}

	/** The scale chosen for a chord; null when none is, or when it cannot be built. */
	of(symbol: string): Scale | null {
		const entry = Object.hasOwn(this.chosen, symbol) ? this.chosen[symbol] : undefined;
		const tonic = entry && parseNote(entry.tonic);
		return tonic && entry ? buildScale(tonic, entry.name) : null;
	}

	/** Chooses a scale for a chord; null gives it back the scale in use. */
	set(symbol: string, scale: Scale | null): void {
		const rest = Object.fromEntries(Object.entries(this.chosen).filter(([key]) => key !== symbol));
		this.chosen = scale
			? { ...rest, [symbol]: { tonic: noteName(scale.tonic), name: scale.name } }
			: rest;
		if (!browser) return;
		if (Object.keys(this.chosen).length > 0) keptHere.set(this.store, JSON.stringify(this.chosen));
		else keptHere.remove(this.store);
	}
}
