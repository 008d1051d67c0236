import { closeDatabase, openDatabase } from '$lib/server/database';
import { loadDemo } from '$lib/server/demo';
import { closePool } from '$lib/server/pool';
import { drain } from '$lib/server/http';
import { problemResponse } from '$lib/server/problem';
import { purgeDeleted } from '$lib/server/tunes';
import type { Handle, HandleServerError, ServerInit } from '@sveltejs/kit';

export const init: ServerInit = async () => {
	const db = await openDatabase();
	await purgeDeleted(db);
	if (process.env.ARC_STEP_DEMO === '1') await loadDemo(db);
	process.once('sveltekit:shutdown', async () => {
		await closePool();
		await closeDatabase();
	});
};

/** A page of this server, by whatever name it was reached: `127.0.0.1` and `localhost` are one. */
function isOwn(origin: string, own: string, host: string | null): boolean {
	return origin === own || (URL.canParse(origin) && new URL(origin).host === host);
}

const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);

export const handle: Handle = async ({ event, resolve }) => {
	const { request, url } = event;
	const api = url.pathname.startsWith('/api/');
	if (!SAFE.has(request.method)) {
		// Browsers name the page that writes; anything but our own page is refused.
		const origin = request.headers.get('origin');
		const site = request.headers.get('sec-fetch-site');
		const foreign = origin !== null && !isOwn(origin, url.origin, request.headers.get('host'));
		if (foreign || site === 'cross-site') {
			await drain(request);
			return problemResponse(403, 'Writes are taken only from Arc Step’s own pages.');
		}
	}
	const response = await resolve(event);
	if (response.status >= 400) await drain(request);
	response.headers.set('x-content-type-options', 'nosniff');
	response.headers.set('referrer-policy', 'same-origin');
	response.headers.set('x-frame-options', 'DENY');
	const told = response.headers.get('content-type')?.includes('problem+json');
	if (api && response.status >= 400 && !told) {
		if (response.status === 405) {
			const allow = response.headers.get('allow') ?? '';
			const refusal = problemResponse(405, `${request.method} is not possible here; use ${allow}.`);
			refusal.headers.set('allow', allow);
			return refusal;
		}
		const detail =
			response.status === 404 ? 'There is nothing at this address.' : 'The request failed.';
		return problemResponse(response.status, detail);
	}
	return response;
};

export const handleError: HandleServerError = ({ error, status, message }) => {
	if (status < 500) return { message };
	console.error(error);
	return { message: 'Something broke on the server. Nothing that was saved is lost; try again.' };
};
