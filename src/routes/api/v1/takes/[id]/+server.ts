import { takeUpdate } from '$lib/api/practice-schema';
import { openDatabase } from '$lib/server/database';
import { isUuid, json, readJson } from '$lib/server/http';
import { notFound, problemResponse } from '$lib/server/problem';
import { getTakes, updateTake } from '$lib/server/takes';
import { removal } from '$lib/server/undo';
import type { RequestHandler } from './$types';

const find = async (id: string) =>
	isUuid(id) ? ((await getTakes(await openDatabase(), [id]))[0] ?? null) : null;

export const GET: RequestHandler = async ({ params }) => {
	const found = await find(params.id);
	return found ? json(found) : notFound('take');
};

export const PUT: RequestHandler = async ({ params, request }) => {
	const read = await readJson(request, takeUpdate);
	if ('error' in read) return read.error;
	if (!isUuid(params.id)) return notFound('take');
	const { note, version } = read.value;
	const saved = await updateTake(await openDatabase(), params.id, note, version);
	if (saved) return json(saved);
	const current = await find(params.id);
	if (!current) return notFound('take');
	const detail = `This take is at version ${current.version} by now; yours was made from ${version}.`;
	return problemResponse(409, detail, undefined, { current });
};

export const DELETE: RequestHandler = removal('take');
