import { browser } from '$app/environment';
import { keptHere } from './browser-store.svelte';

const STORE = 'arc-step-last-tune';

/** The tune that was open last in this browser and the place of the hand, so that the rail leads back. */
class LastTune {
	id: string | null = $state(null);
	position: number | null = $state(null);

	/** Reads what was stored; call once in the browser. */
	load(): void {
		if (browser) this.id ??= keptHere.get(STORE);
	}

	/** Remembers a tune, or with null forgets it. Only in the browser: servers serve many players. */
	set(id: string | null, position: number | null = null): void {
		if (!browser) return;
		this.id = id;
		this.position = position;
		if (id === null) keptHere.remove(STORE);
		else keptHere.set(STORE, id);
	}
}

export const lastTune = new LastTune();
