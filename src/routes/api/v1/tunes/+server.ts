import { tuneInput } from '$lib/api/notebook-schema';
import { openDatabase } from '$lib/server/database';
import { json, readJson } from '$lib/server/http';
import { readTuneInPool } from '$lib/server/pool';
import { brokenRule } from '$lib/server/problem';
import { checkChartSize, createTune, listTunes } from '$lib/server/tunes';

export async function GET(): Promise<Response> {
	const tunes = await listTunes(await openDatabase());
	return json({
		tunes: tunes.map(({ id, title, key, tempo, version }) => ({ id, title, key, tempo, version }))
	});
}

export async function POST({ request }: { request: Request }): Promise<Response> {
	const read = await readJson(request, tuneInput);
	if ('error' in read) return read.error;
	const issues = checkChartSize(read.value.chart);
	if (issues.length > 0) return brokenRule(issues);
	const tune = await createTune(await openDatabase(), await readTuneInPool(read.value.chart));
	return json(tune, 201, { location: `/api/v1/tunes/${tune.id}` });
}
