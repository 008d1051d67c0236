import { getRoute } from '$lib/server/routes';
import { undoing } from '$lib/server/undo';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = undoing(
	'route',
	async (db, id) => (await getRoute(db, id))?.route ?? null
);
