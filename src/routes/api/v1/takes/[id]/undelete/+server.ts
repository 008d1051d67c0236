import { getTakes } from '$lib/server/takes';
import { undoing } from '$lib/server/undo';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = undoing(
	'take',
	async (db, id) => (await getTakes(db, [id]))[0] ?? null
);
