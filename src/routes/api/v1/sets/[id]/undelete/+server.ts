import { getSet } from '$lib/server/sets';
import { undoing } from '$lib/server/undo';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = undoing('set', getSet);
