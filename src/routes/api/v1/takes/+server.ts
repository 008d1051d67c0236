import { takeInput } from '$lib/api/practice-schema';
import { openDatabase } from '$lib/server/database';
import { json, readJson } from '$lib/server/http';
import { listInstruments } from '$lib/server/instruments';
import { inPool } from '$lib/server/pool';
import { brokenRule, notFound } from '$lib/server/problem';
import { storeTake } from '$lib/server/takes';
import { getTune } from '$lib/server/tunes';

export async function POST({ request }: { request: Request }): Promise<Response> {
	const read = await readJson(request, takeInput);
	if ('error' in read) return read.error;
	const db = await openDatabase();
	const tune = await getTune(db, read.value.tuneId);
	if (!tune) return notFound('tune');
	const own = await listInstruments(db);
	const { chart, title } = tune;
	const judged = await inPool.take({ chart, title, take: read.value, own });
	if ('error' in judged) return brokenRule(judged.error);
	const stored = await storeTake(db, read.value, { judged: judged.value, chart, own });
	return json(stored, 201, { location: `/api/v1/takes/${stored.take.id}` });
}
