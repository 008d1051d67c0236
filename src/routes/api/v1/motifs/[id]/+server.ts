import { motifUpdate } from '$lib/api/notebook-schema';
import { motifIssues } from '$lib/api/phrase';
import { openDatabase } from '$lib/server/database';
import { isUuid, json, readJson } from '$lib/server/http';
import { getMotif, updateMotif } from '$lib/server/motifs';
import { brokenRule, notFound, problemResponse } from '$lib/server/problem';
import { removal } from '$lib/server/undo';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params }) => {
	const found = isUuid(params.id) ? await getMotif(await openDatabase(), params.id) : null;
	return found ? json(found) : notFound('motif');
};

export const PUT: RequestHandler = async ({ params, request }) => {
	const read = await readJson(request, motifUpdate);
	if ('error' in read) return read.error;
	if (!isUuid(params.id)) return notFound('motif');
	const { version, ...record } = read.value;
	const issues = motifIssues(record.motif);
	if (issues.length > 0) return brokenRule(issues);
	const db = await openDatabase();
	const saved = await updateMotif(db, params.id, record, version);
	if (saved) return json(saved);
	const current = await getMotif(db, params.id);
	if (!current) return notFound('motif');
	const detail = `This motif is at version ${current.version} by now; yours was made from ${version}.`;
	return problemResponse(409, detail, undefined, { current });
};

export const DELETE: RequestHandler = removal('motif');
