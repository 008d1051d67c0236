import { instrumentRecord } from '$lib/api/notebook-schema';
import { openDatabase } from '$lib/server/database';
import { json, readJson } from '$lib/server/http';
import { checkInstrument, createInstrument, listInstruments } from '$lib/server/instruments';
import { brokenRule } from '$lib/server/problem';

export async function GET(): Promise<Response> {
	return json({ instruments: await listInstruments(await openDatabase()) });
}

export async function POST({ request }: { request: Request }): Promise<Response> {
	const read = await readJson(request, instrumentRecord);
	if ('error' in read) return read.error;
	const issues = checkInstrument(read.value);
	if (issues.length > 0) return brokenRule(issues);
	const made = await createInstrument(await openDatabase(), read.value);
	return json(made, 201, { location: `/api/v1/instruments/${made.id}` });
}
