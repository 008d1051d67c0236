import type { Problem } from '$lib/api/chart-schema';
import { serverWatch } from './server-watch.svelte';

/** A refused request: the server's own words, and the newer version where there is one. */
export class Refusal<T = unknown> extends Error {
	constructor(
		readonly status: number,
		message: string,
		readonly current: T | null
	) {
		super(message);
	}
}

/**
 * Asks the server in JSON.
 * @throws Refusal with the server's message; for 409 `current` is what stands there now.
 */
export async function send<T>(
	method: 'GET' | 'POST' | 'PUT' | 'DELETE',
	path: string,
	body?: unknown
): Promise<T> {
	let response: Response;
	try {
		response = await fetch(path, {
			method,
			headers: body === undefined ? {} : { 'content-type': 'application/json' },
			body: body === undefined ? undefined : JSON.stringify(body)
		});
	} catch {
		serverWatch.lost();
		throw new Refusal(0, 'The server does not answer. Your text is still here; try again.', null);
	}
	if (response.status === 204) return undefined as T;
	const answer = (await response.json().catch(() => null)) as
		(Problem & { current?: T }) | T | null;
	if (response.ok) return answer as T;
	const problem = answer as (Problem & { current?: T }) | null;
	throw new Refusal<T>(
		response.status,
		problem?.detail ?? 'The server refused this.',
		problem?.current ?? null
	);
}

/**
 * Stores a thing: over the version that it came from, or as a new one (under `fresh` where that is another path).
 * @throws Refusal as `send` does; 409 where somebody else stored another version meanwhile.
 */
export const store = <T extends { readonly id: string; readonly version: number }>(
	from: T | null,
	path: string,
	body: object,
	fresh = path
): Promise<T> =>
	from
		? send<T>('PUT', `${path}/${from.id}`, { ...body, version: from.version })
		: send<T>('POST', fresh, body);
