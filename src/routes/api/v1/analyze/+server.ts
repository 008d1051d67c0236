import { analyzeInput } from '$lib/api/chart-schema';
import { runAnalyze } from '$lib/api/analyze';
import { json, readJson } from '$lib/server/http';
import { brokenRule } from '$lib/server/problem';

export async function POST({ request }: { request: Request }): Promise<Response> {
	const read = await readJson(request, analyzeInput);
	if ('response' in read) return read.response;
	const outcome = runAnalyze(read.data);
	return 'issues' in outcome ? brokenRule(outcome.issues) : json(outcome.value);
}
