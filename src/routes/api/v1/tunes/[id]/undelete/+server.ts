import { openDatabase } from '$lib/server/database';
import { isUuid, json } from '$lib/server/http';
import { notFound } from '$lib/server/problem';
import { restoreTune } from '$lib/server/tunes';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params }) => {
	const tune = isUuid(params.id) ? await restoreTune(await openDatabase(), params.id) : null;
	return tune ? json(tune) : notFound('deleted tune');
};
