import { routeUpdate } from '$lib/api/notebook-schema';
import { openDatabase } from '$lib/server/database';
import { isUuid, json, readJson } from '$lib/server/http';
import { listInstruments } from '$lib/server/instruments';
import { snapshotInPool } from '$lib/server/pool';
import { brokenRule, notFound, problemResponse } from '$lib/server/problem';
import { getRoute, updateRoute } from '$lib/server/routes';
import { removal } from '$lib/server/undo';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params }) => {
	const found = isUuid(params.id) ? await getRoute(await openDatabase(), params.id) : null;
	return found ? json(found.route) : notFound('route');
};

export const PUT: RequestHandler = async ({ params, request }) => {
	const read = await readJson(request, routeUpdate);
	if ('error' in read) return read.error;
	const db = await openDatabase();
	const found = isUuid(params.id) ? await getRoute(db, params.id) : null;
	if (!found) return notFound('route');
	const { version, ...input } = read.value;
	const made = await snapshotInPool({
		chart: found.chart,
		input,
		own: await listInstruments(db)
	});
	if ('error' in made) return brokenRule(made.error);
	const saved = await updateRoute(db, params.id, input, made.value, found.tuneVersion, version);
	if (saved) return json(saved);
	const current = (await getRoute(db, params.id))?.route;
	if (!current) return notFound('route');
	const detail = `This route is at version ${current.version} by now; yours was made from ${version}.`;
	return problemResponse(409, detail, undefined, { current });
};

export const DELETE: RequestHandler = removal('route');
