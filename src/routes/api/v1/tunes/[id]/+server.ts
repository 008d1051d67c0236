import { tuneUpdate } from '$lib/api/notebook-schema';
import { openDatabase } from '$lib/server/database';
import { isUuid, json, readJson } from '$lib/server/http';
import { readTuneInPool } from '$lib/server/pool';
import { brokenRule, notFound, problemResponse } from '$lib/server/problem';
import { checkChartSize, deleteTune, getTune, updateTune } from '$lib/server/tunes';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params }) => {
	const tune = isUuid(params.id) ? await getTune(await openDatabase(), params.id) : null;
	return tune ? json(tune) : notFound('tune');
};

export const PUT: RequestHandler = async ({ params, request }) => {
	const read = await readJson(request, tuneUpdate);
	if ('error' in read) return read.error;
	if (!isUuid(params.id)) return notFound('tune');
	const { chart, version } = read.value;
	const issues = checkChartSize(chart);
	if (issues.length > 0) return brokenRule(issues);
	const db = await openDatabase();
	const saved = await updateTune(db, params.id, await readTuneInPool(chart), version);
	if (saved) return json(saved);
	const current = await getTune(db, params.id);
	if (!current) return notFound('tune');
	const detail = `This tune is at version ${current.version} by now; your text was made from ${version}.`;
	return problemResponse(409, detail, undefined, { current });
};

export const DELETE: RequestHandler = async ({ params }) => {
	const gone = isUuid(params.id) && (await deleteTune(await openDatabase(), params.id));
	return gone ? new Response(null, { status: 204 }) : notFound('tune');
};
