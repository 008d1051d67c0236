import { analyzeInput } from '$lib/api/chart-schema';
import { readJson } from '$lib/server/http';
import { inPool } from '$lib/server/pool';
import { brokenRule } from '$lib/server/problem';

export async function POST({ request }: { request: Request }): Promise<Response> {
	const read = await readJson(request, analyzeInput);
	if ('error' in read) return read.error;
	const outcome = await inPool.analyze(read.value);
	if ('error' in outcome) return brokenRule(outcome.error);
	return new Response(outcome.value, { headers: { 'content-type': 'application/json' } });
}
