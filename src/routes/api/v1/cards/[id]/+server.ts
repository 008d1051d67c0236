import { openDatabase } from '$lib/server/database';
import { isUuid } from '$lib/server/http';
import { notFound } from '$lib/server/problem';
import { restCard } from '$lib/server/takes';
import type { RequestHandler } from './$types';

export const DELETE: RequestHandler = async ({ params }) => {
	const gone = isUuid(params.id) && (await restCard(await openDatabase(), params.id));
	return gone ? new Response(null, { status: 204 }) : notFound('card');
};
