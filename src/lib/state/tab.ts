import { keptInTab } from './browser-store.svelte';

const STORE = 'arc-step-tab';
const lockOf = (tab: string): string => `${STORE}-${tab}`;
const newId = (): string => crypto.getRandomValues(new Uint32Array(2)).join('-');

/** Takes the name of a tab for as long as its page is open; false when another page has it. */
function hold(tab: string): Promise<boolean> {
	return new Promise((resolve) => {
		navigator.locks
			.request(lockOf(tab), { ifAvailable: true }, (lock) => {
				resolve(lock !== null);
				return lock ? new Promise<void>(() => undefined) : undefined;
			})
			.catch(() => resolve(true));
	});
}

async function take(): Promise<string> {
	const before = keptInTab.get(STORE) ?? newId();
	// A tab that was duplicated has the name of the first one.
	const tab = !('locks' in navigator) || (await hold(before)) ? before : newId();
	if (tab !== before) await hold(tab);
	keptInTab.set(STORE, tab);
	return tab;
}

let own: Promise<string> | null = null;

/** The name of this tab, the same after it is loaded again; only in the browser. */
export const tabName = (): Promise<string> => (own ??= take());

/** The names of the tabs whose pages are open; null where the browser does not tell. */
export async function openTabs(): Promise<ReadonlySet<string> | null> {
	if (!('locks' in navigator)) return null;
	const { held = [] } = await navigator.locks.query();
	return new Set(
		held.flatMap(({ name }) =>
			name?.startsWith(`${STORE}-`) ? [name.slice(STORE.length + 1)] : []
		)
	);
}
