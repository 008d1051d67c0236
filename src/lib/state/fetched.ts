import { serverWatch } from './server-watch.svelte';

/** Before a part is asked for again, in ms; the last holds from there on. */
const WAITS_MS = [200, 1000, 2000];
/** With these waits, half an hour. */
const MOST_TRIES = 900;

/** The address of the module that did not arrive, where the browser tells it. */
const addressIn = (message: string): string | null =>
	/https?:\/\/[^\s?]+\.js\b/.exec(message)?.[0] ?? null;

/** A browser may keep a module that did not arrive as lost: under another name it asks for it again. */
const underAnotherName = <T>(address: string, tries: number): Promise<T> =>
	import(/* @vite-ignore */ `${address}?again=${tries}`) as Promise<T>;

/**
 * A part of the app that is fetched when it is needed, asked for again while it does not come: a server that
 * starts anew or a network that changes in that moment costs time, not the part. Say `fetched(() => import('…'))`.
 * @returns the module
 * @throws {Error} what the module itself throws, at once; the browser's own error when it has not come after half an hour
 */
export async function fetched<T>(load: () => Promise<T>): Promise<T> {
	let lost: string | null = null;
	for (let tries = 1; ; tries++) {
		try {
			return lost === null ? await load() : await underAnotherName<T>(lost, tries);
		} catch (error) {
			// Browsers tell a module that did not arrive by this kind of error.
			if (!(error instanceof TypeError) || tries === MOST_TRIES) throw error;
			lost ??= addressIn(error.message);
			if (tries > 1) serverWatch.lost();
			await new Promise((again) => {
				setTimeout(again, WAITS_MS[Math.min(tries, WAITS_MS.length) - 1]);
			});
		}
	}
}
