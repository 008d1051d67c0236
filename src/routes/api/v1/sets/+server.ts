import { setInput } from '$lib/api/notebook-schema';
import { openDatabase } from '$lib/server/database';
import { json, readJson } from '$lib/server/http';
import { brokenRule } from '$lib/server/problem';
import { checkSet, createSet, listSets } from '$lib/server/sets';

export async function GET(): Promise<Response> {
	return json({ sets: await listSets(await openDatabase()) });
}

export async function POST({ request }: { request: Request }): Promise<Response> {
	const read = await readJson(request, setInput);
	if ('error' in read) return read.error;
	const db = await openDatabase();
	const issues = await checkSet(db, read.value);
	if (issues.length > 0) return brokenRule(issues);
	const made = await createSet(db, read.value);
	return json(made, 201, { location: `/api/v1/sets/${made.id}` });
}
