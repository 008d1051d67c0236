import { isGuarded, isInside, setPassphrase } from '$lib/server/access';
import {
	closeDatabase,
	hasLostFolder,
	hasNoRoom,
	mendDatabase,
	openDatabase
} from '$lib/server/database';
import { loadDemo } from '$lib/server/demo';
import { isOurs } from '$lib/server/hosts';
import { drain } from '$lib/server/http';
import { startJobs, stopJobs } from '$lib/server/jobs';
import { clientGone, whileAsked } from '$lib/server/leaving';
import { inPool } from '$lib/server/pool';
import { brokenRule, databaseAway, folderLost, noRoom, problemResponse } from '$lib/server/problem';
import { lookOverAll } from '$lib/server/restore';
import { SESSION } from '$lib/server/session-cookie';
import { troubleOf, type Trouble } from '$lib/server/trouble';
import { clearSpool } from '$lib/server/spool';
import { purgeDeleted, readAgain } from '$lib/server/tunes';
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
	startJobs();
	await readAgain(db, inPool.readTunes);
	await lookOverAll(db);
	clearSpool();
	if (process.env.ARC_STEP_DEMO === '1') await loadDemo(db);
	process.once('arc-step:end-work' as 'beforeExit', () => void stopJobs());
	process.once('sveltekit:shutdown', () => void stopJobs().then(closeDatabase));
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
		if (SAFE.has(request.method) || COMPUTES.test(url.pathname)) return null;
		if (hasLostFolder()) return folderLost();
		if (!hasNoRoom()) return null;
		return noRoom();
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
	const refused = await refusal(event).catch((error: unknown) => {
		if (troubleOf(error) === 'away') return databaseAway();
		throw error;
	});
	const resolved =
		refused ??
		(await whileAsked(event.platform?.req, () =>
			resolve(event, { transformPageChunk: ({ html }) => html.replace('%mode%', () => MODE) })
		));
	const response = asTrouble(resolved, event.locals.trouble, isAsked(url.pathname));
	if (response.status === 503) response.headers.set('retry-after', RETRY_SECONDS);
	if (response.status >= 400) await drain(request);
	const told = response.headers.get('content-type')?.includes('problem+json');
	const answer =
		isAsked(url.pathname) && response.status >= 400 && !told
			? await asProblem(response, request.method)
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

/** What failed because of the database says so, not that the server broke. */
function asTrouble(response: Response, trouble: Trouble | undefined, asked: boolean): Response {
	if (response.status !== 500 || !trouble) return response;
	if (asked) {
		if (trouble === 'away') return databaseAway();
		if (trouble === 'full') return noRoom();
		return brokenRule([{ path: '', message: 'The notebook cannot keep a value of this.' }]);
	}
	const status = { away: 503, full: 507, unfit: 422 }[trouble];
	return new Response(response.body, { status, headers: response.headers });
}

/** Addresses of programs: the API, and files. */
const isAsked = (path: string): boolean =>
	path.startsWith('/api/') || path === '/healthz' || /\.\w{2,8}$/.test(path);

/** After how many seconds something that was refused for now may be tried again. */
const RETRY_SECONDS = '2';

/** A refusal of the framework in the API’s own words. */
async function asProblem(response: Response, method: string): Promise<Response> {
	if (response.status === 405) {
		const allow = response.headers.get('allow') ?? '';
		const refusal = problemResponse(405, `${method} is not possible here; use ${allow}.`);
		refusal.headers.set('allow', allow);
		return refusal;
	}
	if (response.status === 404) return problemResponse(404, 'There is nothing at this address.');
	const body = (await response.json().catch(() => null)) as App.Error | null;
	const problem = problemResponse(response.status, body?.message ?? 'The request failed.');
	const retry = response.headers.get('retry-after');
	if (retry) problem.headers.set('retry-after', retry);
	return problem;
}

const TROUBLE: Record<Trouble, string> = {
	away: 'The database does not answer just now. Nothing that was saved is lost; try again in a moment.',
	full: 'The disk of this notebook is full: nothing was saved. Make room, then try again.',
	unfit: 'The notebook cannot keep a value of this. Nothing was changed.'
};

export const handleError: HandleServerError = async ({ error, event, status, message }) => {
	// Nobody waits for it any more.
	if (status < 500 || clientGone()?.aborted) return { message };
	let trouble = troubleOf(error);
	// A database that broke is opened again; who asked meanwhile is told that it is away.
	if (trouble !== 'unfit' && (await mendDatabase())) trouble ??= 'away';
	if (trouble) {
		event.locals.trouble = trouble;
		console.error(
			`The database: ${trouble} (${error instanceof Error ? error.message.slice(0, 200) : ''})`
		);
		return { message: TROUBLE[trouble] };
	}
	console.error(error);
	return { message: 'Something broke on the server. Nothing that was saved is lost; try again.' };
};
