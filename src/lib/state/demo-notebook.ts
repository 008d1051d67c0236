import { keptHere } from './browser-store.svelte';
import { offeringBack } from './deletion';
import { send } from './api';

const STORE = 'arc-step-demo';

/** Remembers which tunes and sets came with the demo, so that they can be taken away again. */
export const keepDemo = (paths: readonly string[]): void =>
	keptHere.set(STORE, JSON.stringify(paths));

/** The paths of what came with the demo and has not been taken away; none in a browser that laid none in. */
export function demoPaths(): readonly string[] {
	try {
		const found: unknown = JSON.parse(keptHere.get(STORE) ?? '[]');
		return Array.isArray(found) ? found.filter((one) => typeof one === 'string') : [];
	} catch {
		return [];
	}
}

/** Takes the demo away and offers it back. */
export async function removeDemo(after: () => Promise<unknown>): Promise<void> {
	const paths = demoPaths();
	const each = async (method: 'DELETE' | 'POST', end: string) => {
		for (const path of paths) await send(method, path + end).catch(() => null);
		await after();
	};
	const done = await offeringBack(
		'The demo is taken away.',
		() => each('DELETE', ''),
		async () => {
			await each('POST', '/undelete');
			keepDemo(paths);
		}
	);
	if (done) keptHere.remove(STORE);
}
