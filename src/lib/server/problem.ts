import type { Issue, Problem } from '../api/chart-schema';

const TITLES: Record<number, string> = {
	400: 'This is not JSON',
	401: 'Passphrase missing',
	403: 'Not from here',
	404: 'Not found',
	405: 'Not this way',
	409: 'Changed meanwhile',
	413: 'Too large',
	415: 'Not this kind',
	421: 'Not this server',
	422: 'The request breaks a rule',
	429: 'Too many tries',
	500: 'Something broke on the server',
	503: 'Not just now',
	507: 'The disk is full'
};

/** An error answer as `application/problem+json` (RFC 9457); `extra` members stand beside the usual ones. */
export function problemResponse(
	status: number,
	detail: string,
	issues?: readonly Issue[],
	extra: Record<string, unknown> = {}
): Response {
	const title = TITLES[status] ?? 'The request failed';
	const body: Problem = { type: 'about:blank', title, status, detail };
	return new Response(JSON.stringify({ ...body, ...(issues ? { issues } : {}), ...extra }), {
		status,
		headers: { 'content-type': 'application/problem+json' }
	});
}

/** 422 with everything that is wrong; the first issue is the detail. */
export const brokenRule = (issues: readonly Issue[]): Response =>
	problemResponse(422, issues[0]?.message ?? 'The request breaks a rule.', issues);

/** 507: nothing more can be kept. */
export const noRoom = (): Response =>
	problemResponse(
		507,
		'The disk of this notebook is nearly full: nothing was saved. What stands here is not lost; make room, then try again.'
	);

/** 503: the database does not answer for the moment. */
export const databaseAway = (): Response =>
	problemResponse(
		503,
		'The database does not answer just now: nothing was changed. What stands here is not lost; try again in a moment.'
	);

/** 503: the folder of the notebook was taken away under the server. */
export const folderLost = (): Response =>
	problemResponse(
		503,
		'The data folder of this notebook is gone: nothing can be kept. Put it back, or start the server again.'
	);

/** 404 with what was looked for. */
export const notFound = (what: string): Response =>
	problemResponse(404, `There is no such ${what}.`);
