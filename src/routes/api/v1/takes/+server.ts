import { takeInput } from '$lib/api/practice-schema';
import { openDatabase } from '$lib/server/database';
import { json, readJson } from '$lib/server/http';
import { listInstruments } from '$lib/server/instruments';
import { takeInPool } from '$lib/server/pool';
import { brokenRule, notFound } from '$lib/server/problem';
import { storeTake } from '$lib/server/takes';
import { getTune } from '$lib/server/tunes';

export async function POST({ request }: { request: Request }): Promise<Response> {
	const read = await readJson(request, takeInput);
	if ('response' in read) return read.response;
	const db = await openDatabase();
	const tune = await getTune(db, read.data.tuneId);
	if (!tune) return notFound('tune');
	const own = await listInstruments(db);
	const { chart, title } = tune;
	const judged = await takeInPool({ chart, title, take: read.data, own });
	if ('issues' in judged) return brokenRule(judged.issues);
	const stored = await storeTake(db, read.data, { judged: judged.value, chart, own });
	return json(stored, 201, { location: `/api/v1/takes/${stored.take.id}` });
}
