import { instrumentUpdate } from '$lib/api/notebook-schema';
import { openDatabase } from '$lib/server/database';
import { isUuid, json, readJson } from '$lib/server/http';
import { checkInstrument, getInstrument, updateInstrument } from '$lib/server/instruments';
import { brokenRule, notFound, problemResponse } from '$lib/server/problem';
import { removal } from '$lib/server/undo';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params }) => {
	const found = isUuid(params.id) ? await getInstrument(await openDatabase(), params.id) : null;
	return found ? json(found) : notFound('instrument');
};

export const PUT: RequestHandler = async ({ params, request }) => {
	const read = await readJson(request, instrumentUpdate);
	if ('error' in read) return read.error;
	if (!isUuid(params.id)) return notFound('instrument');
	const { version, ...record } = read.value;
	const issues = checkInstrument(record);
	if (issues.length > 0) return brokenRule(issues);
	const db = await openDatabase();
	const saved = await updateInstrument(db, params.id, record, version);
	if (saved) return json(saved);
	const current = await getInstrument(db, params.id);
	if (!current) return notFound('instrument');
	const detail = `This instrument is at version ${current.version} by now; yours was made from ${version}.`;
	return problemResponse(409, detail, undefined, { current });
};

export const DELETE: RequestHandler = removal('instrument');
