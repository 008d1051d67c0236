import { openDatabase } from '$lib/server/database';
import { download } from '$lib/server/download';
import { isUuid } from '$lib/server/http';
import { inPool } from '$lib/server/pool';
import { notFound } from '$lib/server/problem';
import { getRoute } from '$lib/server/routes';
import { sheetOptions, sheetRequest } from '$lib/server/sheet-request';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params, url }) => {
	const db = await openDatabase();
	const found = isUuid(params.id) ? await getRoute(db, params.id) : null;
	if (!found) return notFound('route');
	const wish = { routeId: params.id, position: null };
	const options = sheetOptions(url.searchParams);
	const made = await sheetRequest(db, found.route.tuneId, wish, options);
	if (!made) return notFound('route');
	const pdf = await inPool.pdf(made.request);
	const name = `${found.title} ${found.route.name}`;
	return download(pdf, { name, ending: 'pdf', type: 'application/pdf' });
};
