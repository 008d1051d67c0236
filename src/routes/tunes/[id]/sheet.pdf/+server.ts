import { openDatabase } from '$lib/server/database';
import { download } from '$lib/server/download';
import { isUuid } from '$lib/server/http';
import { inPool } from '$lib/server/pool';
import { notFound } from '$lib/server/problem';
import { sheetOptions, sheetRequest } from '$lib/server/sheet-request';
import { getTune } from '$lib/server/tunes';
import type { RequestHandler } from './$types';

/** The page of a tune without a route: its changes, and its chords in a place. */
export const GET: RequestHandler = async ({ params, url }) => {
	const db = await openDatabase();
	const tune = isUuid(params.id) ? await getTune(db, params.id) : null;
	if (!tune) return notFound('tune');
	const asked = Number(url.searchParams.get('position'));
	const wish = { routeId: 'none', position: Number.isInteger(asked) && asked > 0 ? asked : null };
	const made = await sheetRequest(db, tune.id, wish, sheetOptions(url.searchParams));
	if (!made) return notFound('tune');
	const pdf = await inPool.pdf(made.request);
	return download(pdf, { name: tune.title, ending: 'pdf', type: 'application/pdf' });
};
