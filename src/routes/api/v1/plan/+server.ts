import { planInput } from '$lib/api/plan-schema';
import { json, readJson } from '$lib/server/http';
import { planInPool } from '$lib/server/pool';
import { brokenRule } from '$lib/server/problem';

export async function POST({ request }: { request: Request }): Promise<Response> {
	const read = await readJson(request, planInput);
	if ('response' in read) return read.response;
	const outcome = await planInPool(read.data);
	return 'issues' in outcome ? brokenRule(outcome.issues) : json(outcome.value);
}
