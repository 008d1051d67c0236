import { cardInput } from '$lib/api/practice-schema';
import { drillIssues } from '$lib/api/take';
import { openDatabase } from '$lib/server/database';
import { json, readJson } from '$lib/server/http';
import { listInstruments } from '$lib/server/instruments';
import { brokenRule, notFound } from '$lib/server/problem';
import { keepCard } from '$lib/server/takes';
import { getTune } from '$lib/server/tunes';

export async function POST({ request }: { request: Request }): Promise<Response> {
	const read = await readJson(request, cardInput);
	if ('error' in read) return read.error;
	const { tuneId, drill } = read.value;
	const db = await openDatabase();
	const tune = await getTune(db, tuneId);
	if (!tune) return notFound('tune');
	const issues = drillIssues(tune.chart, drill, await listInstruments(db));
	if (issues.length > 0) return brokenRule(issues);
	return json(await keepCard(db, tuneId, drill));
}
