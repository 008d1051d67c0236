import { setUpdate } from '$lib/api/notebook-schema';
import { openDatabase } from '$lib/server/database';
import { isUuid, json, readJson } from '$lib/server/http';
import { brokenRule, notFound, problemResponse } from '$lib/server/problem';
import { checkSet, getSet, updateSet } from '$lib/server/sets';
import { removal } from '$lib/server/undo';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params }) => {
	const found = isUuid(params.id) ? await getSet(await openDatabase(), params.id) : null;
	return found ? json(found) : notFound('set');
};

export const PUT: RequestHandler = async ({ params, request }) => {
	const read = await readJson(request, setUpdate);
	if ('error' in read) return read.error;
	const db = await openDatabase();
	const current = isUuid(params.id) ? await getSet(db, params.id) : null;
	if (!current) return notFound('set');
	const { version, ...input } = read.value;
	const issues = await checkSet(db, input);
	if (issues.length > 0) return brokenRule(issues);
	const saved = await updateSet(db, params.id, input, version);
	if (saved) return json(saved);
	const now = await getSet(db, params.id);
	if (!now) return notFound('set');
	const detail = `This set is at version ${now.version} by now; yours was made from ${version}.`;
	return problemResponse(409, detail, undefined, { current: now });
};

export const DELETE: RequestHandler = removal('set');
