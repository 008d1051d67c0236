import { routeInput } from '$lib/api/notebook-schema';
import { openDatabase } from '$lib/server/database';
import { isUuid, json, readJson } from '$lib/server/http';
import { listInstruments } from '$lib/server/instruments';
import { snapshotInPool } from '$lib/server/pool';
import { brokenRule, notFound } from '$lib/server/problem';
import { createRoute, listRoutes } from '$lib/server/routes';
import { getTune } from '$lib/server/tunes';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params }) => {
	const db = await openDatabase();
	const tune = isUuid(params.id) ? await getTune(db, params.id) : null;
	return tune ? json({ routes: await listRoutes(db, tune.id) }) : notFound('tune');
};

export const POST: RequestHandler = async ({ params, request }) => {
	const read = await readJson(request, routeInput);
	if ('error' in read) return read.error;
	const db = await openDatabase();
	const tune = isUuid(params.id) ? await getTune(db, params.id) : null;
	if (!tune) return notFound('tune');
	const made = await snapshotInPool({
		chart: tune.chart,
		input: read.value,
		own: await listInstruments(db)
	});
	if ('error' in made) return brokenRule(made.error);
	const route = await createRoute(db, tune.id, read.value, made.value, tune.version);
	return json(route, 201, { location: `/api/v1/routes/${route.id}` });
};
