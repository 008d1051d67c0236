import { problemResponse } from '$lib/server/problem';

/** Every address under the API that has no route of its own. */
export const fallback = (): Response => problemResponse(404, 'There is nothing at this address.');
