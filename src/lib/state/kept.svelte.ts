import { browser } from '$app/environment';
import { keptHere } from './browser-store.svelte';

/** Choices of the player that are kept in this browser under a name; what cannot be read is as at first. */
export class Kept<T extends object> {
	current: T;

	/** @param parse reads what was stored; of `{}` it makes the first choices */
	constructor(
		private readonly store: string,
		private readonly parse: (stored: unknown) => T
	) {
		this.current = $state(parse({}));
	}

	/** Reads the stored choices; call once in the browser. */
	load(): void {
		if (!browser) return;
		try {
			this.current = this.parse(JSON.parse(keptHere.get(this.store) ?? '{}'));
		} catch {
			this.current = this.parse({});
		}
	}

	set<K extends keyof T>(key: K, value: T[K]): void {
		this.current[key] = value;
		this.keep();
	}

	protected keep(): void {
		if (browser) keptHere.set(this.store, JSON.stringify(this.current));
	}
}
