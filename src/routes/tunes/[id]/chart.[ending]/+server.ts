import { openDatabase } from '$lib/server/database';
import { tuneFile } from '$lib/server/export';
import { isUuid } from '$lib/server/http';
import { notFound } from '$lib/server/problem';
import { getTune } from '$lib/server/tunes';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params }) => {
	const db = await openDatabase();
	const tune = isUuid(params.id) ? await getTune(db, params.id) : null;
	if (!tune) return notFound('tune');
	return (await tuneFile(db, tune, params.ending)) ?? notFound('kind of file');
};
