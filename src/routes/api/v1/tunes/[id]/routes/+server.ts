import { routeInput } from '$lib/api/route-schema';
import { openDatabase } from '$lib/server/database';
import { isUuid, json, readJson } from '$lib/server/http';
import { brokenRule, notFound } from '$lib/server/problem';
import { plannedOn } from '$lib/server/resources';
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
	const made = await plannedOn(db, tune, read.value);
	if ('error' in made) return brokenRule(made.error);
	const { input, plan, tuneVersion } = made.value;
	const route = await createRoute(db, tune.id, input, plan, tuneVersion);
	return json(route, 201, { location: `/api/v1/routes/${route.id}` });
};
