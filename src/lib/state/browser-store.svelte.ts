import { browser } from '$app/environment';

declare global {
	interface Window {
		/** Set in app.html where the browser denies its storage: what stands in for it is forgotten with the page. */
		arcStepForgets?: boolean;
	}
}

/** Whether anything could not be kept in this browser. */
class Remembering {
	lost = $state(false);
}
export const remembering = new Remembering();

/** Storage of the browser that never throws: what it does not take is kept as long as the page is open. */
class BrowserStore {
	private readonly memory = new Map<string, string>();

	constructor(private readonly real: () => Storage) {}

	private try<T>(work: (storage: Storage) => T): T | null {
		if (!browser) return null;
		try {
			if (window.arcStepForgets) remembering.lost = true;
			return work(this.real());
		} catch {
			remembering.lost = true;
			return null;
		}
	}

	get(name: string): string | null {
		return this.memory.get(name) ?? this.try((storage) => storage.getItem(name));
	}

	set(name: string, value: string): void {
		if (!browser) return;
		this.memory.set(name, value);
		this.try((storage) => {
			storage.setItem(name, value);
			this.memory.delete(name);
		});
	}

	remove(name: string): void {
		this.memory.delete(name);
		this.try((storage) => storage.removeItem(name));
	}

	/** Names that begin so. */
	names(beginning: string): string[] {
		const kept = this.try((storage) =>
			Array.from({ length: storage.length }, (_, i) => storage.key(i) ?? '')
		);
		const all = new Set([...(kept ?? []), ...this.memory.keys()]);
		return [...all].filter((name) => name.startsWith(beginning));
	}
}

/** Kept in this browser. */
export const keptHere = new BrowserStore(() => localStorage);
/** Kept in this tab. */
export const keptInTab = new BrowserStore(() => sessionStorage);
