import { openDatabase } from '$lib/server/database';
import { isUuid } from '$lib/server/http';
import { listRoutes } from '$lib/server/routes';
import { getTune } from '$lib/server/tunes';
import { error } from '@sveltejs/kit';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params }) => {
	const db = await openDatabase();
	const tune = isUuid(params.id) ? await getTune(db, params.id) : null;
	if (!tune) error(404, 'There is no such tune.');
	return { tune, routes: await listRoutes(db, tune.id) };
};
