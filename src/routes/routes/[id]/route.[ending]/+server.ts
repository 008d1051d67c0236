import { openDatabase } from '$lib/server/database';
import { routeFile } from '$lib/server/export';
import { isUuid } from '$lib/server/http';
import { notFound } from '$lib/server/problem';
import { getRoute } from '$lib/server/routes';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params, url }) => {
	const db = await openDatabase();
	if (!isUuid(params.id) || !(await getRoute(db, params.id))) return notFound('route');
	const repeats = url.searchParams.get('repeats') === 'kept' ? 'kept' : 'unfolded';
	return (await routeFile(db, params.id, params.ending, repeats)) ?? notFound('kind of file');
};
