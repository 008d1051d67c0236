import { isGuarded, isInside, setPassphrase } from '$lib/server/access';
import { closeDatabase, hasNoRoom, openDatabase } from '$lib/server/database';
import { loadDemo } from '$lib/server/demo';
import { isOurs } from '$lib/server/hosts';
import { drain } from '$lib/server/http';
import { closePool } from '$lib/server/pool';
import { problemResponse } from '$lib/server/problem';
import { SESSION } from '$lib/server/session-cookie';
import { purgeDeleted } from '$lib/server/tunes';
import {
	redirect,
	type Handle,
	type HandleServerError,
	type RequestEvent,
	type ServerInit
} from '@sveltejs/kit';
import { createInitialModeExpression } from 'mode-watcher';

export const init: ServerInit = async () => {
	const db = await openDatabase();
	await setPassphrase(db, process.env.ARC_STEP_PASSPHRASE);
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
/** What answers without the passphrase. */
const OPEN = new Set(['/login', '/api/v1/session', '/healthz']);

/** What only computes: it is answered where nothing more can be kept. */
const COMPUTES = /^\/api\/v1\/(analyze|check|coverage|judge|phrase|plan|positions|shapes)$/;

/** What speaks against a request before it is looked at; a page without a session leads to the passphrase. */
async function refusal({
	request,
	url,
	cookies,
	isDataRequest
}: RequestEvent): Promise<Response | null> {
	const host = request.headers.get('host');
	if (!isOurs(host, process.env.HOST ?? '127.0.0.1', process.env.ARC_STEP_HOSTS)) {
		return problemResponse(
			421,
			'This server is not known by that name; call it by its address, or name it in ARC_STEP_HOSTS.'
		);
	}
	if (!SAFE.has(request.method)) {
		// Browsers name the page that writes; anything but our own page is refused.
		const origin = request.headers.get('origin');
		const foreign = origin !== null && !isOwn(origin, url.origin, host);
		if (foreign || request.headers.get('sec-fetch-site') === 'cross-site') {
			return problemResponse(403, 'Writes are taken only from Arc Step’s own pages.');
		}
	}
	const locked =
		isGuarded() &&
		!OPEN.has(url.pathname) &&
		!(await isInside(await openDatabase(), cookies.get(SESSION)));
	if (!locked) {
		if (SAFE.has(request.method) || COMPUTES.test(url.pathname) || !hasNoRoom()) return null;
		return problemResponse(
			507,
			'The disk of this notebook is nearly full: nothing was saved. What stands here is not lost; make room, then try again.'
		);
	}
	const page = isDataRequest || request.headers.get('accept')?.includes('text/html');
	if (page && SAFE.has(request.method) && !url.pathname.startsWith('/api/')) {
		redirect(303, `/login?to=${encodeURIComponent(url.pathname + url.search)}`);
	}
	return problemResponse(
		401,
		'This notebook asks for its passphrase: open it in another tab and sign in, then try again. Nothing that stands here is lost.'
	);
}

const HEADERS = {
	'x-content-type-options': 'nosniff',
	'referrer-policy': 'same-origin',
	'x-frame-options': 'DENY',
	'cross-origin-opener-policy': 'same-origin',
	'cross-origin-resource-policy': 'same-origin',
	'permissions-policy': 'camera=(), geolocation=(), payment=(), usb=()'
};
/** What is no page needs nothing: a file of the notebook that is opened as a page runs no script. */
const BARE = "default-src 'none'; frame-ancestors 'none'";
/** A browser shows a PDF with parts of its own, which a stricter policy may forbid. */
const PDF = "frame-ancestors 'none'";

/** Sets the theme before anything is drawn; its place is in app.html. */
const MODE = createInitialModeExpression();

export const handle: Handle = async ({ event, resolve }) => {
	const { request, url } = event;
	const refused = await refusal(event);
	const response =
		refused ??
		(await resolve(event, {
			transformPageChunk: ({ html }) => html.replace('%mode%', () => MODE)
		}));
	if (response.status >= 400) await drain(request);
	const told = response.headers.get('content-type')?.includes('problem+json');
	const answer =
		url.pathname.startsWith('/api/') && response.status >= 400 && !told
			? asProblem(response, request.method)
			: response;
	for (const [name, value] of Object.entries(HEADERS)) answer.headers.set(name, value);
	if (!answer.headers.has('content-security-policy')) {
		const pdf = answer.headers.get('content-type') === 'application/pdf';
		answer.headers.set('content-security-policy', pdf ? PDF : BARE);
	}
	if (isGuarded() && !answer.headers.has('cache-control')) {
		answer.headers.set('cache-control', 'private, no-cache');
	}
	return answer;
};

/** A refusal of the framework in the API’s own words. */
function asProblem(response: Response, method: string): Response {
	if (response.status === 405) {
		const allow = response.headers.get('allow') ?? '';
		const refusal = problemResponse(405, `${method} is not possible here; use ${allow}.`);
		refusal.headers.set('allow', allow);
		return refusal;
	}
	const detail =
		response.status === 404 ? 'There is nothing at this address.' : 'The request failed.';
	return problemResponse(response.status, detail);
}

export const handleError: HandleServerError = ({ error, status, message }) => {
	if (status < 500) return { message };
	console.error(error);
	return { message: 'Something broke on the server. Nothing that was saved is lost; try again.' };
};
