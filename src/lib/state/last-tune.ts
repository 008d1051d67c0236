import { browser } from '$app/environment';

const STORE = 'arc-step-last-tune';

/** The tune that was open last in this browser, so that the rail leads back to it. */
export const lastTune = {
	get: (): string | null => (browser ? localStorage.getItem(STORE) : null),
	set: (id: string): void => {
		if (browser) localStorage.setItem(STORE, id);
	}
};
