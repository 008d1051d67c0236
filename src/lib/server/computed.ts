import type { z } from 'zod';
import type { Outcome } from '../api/resolve';
import { json, readJson } from './http';
import { brokenRule } from './problem';

/**
 * A POST handler that validates its body, computes in the thread pool and answers the value, or 422
 * with everything that is wrong with the request.
 */
export const computed =
	<Schema extends z.core.$ZodType>(
		schema: Schema,
		compute: (input: z.infer<Schema>) => Promise<Outcome<unknown>>
	) =>
	async ({ request }: { request: Request }): Promise<Response> => {
		const read = await readJson(request, schema);
		if ('error' in read) return read.error;
		const outcome = await compute(read.value);
		return 'error' in outcome ? brokenRule(outcome.error) : json(outcome.value);
	};
