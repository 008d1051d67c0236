import { openDatabase } from '$lib/server/database';
import { isUuid } from '$lib/server/http';
import { getPlayer, listInstruments } from '$lib/server/instruments';
import { listRoutes } from '$lib/server/routes';
import { getTune } from '$lib/server/tunes';
import { error } from '@sveltejs/kit';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params }) => {
	const db = await openDatabase();
	const tune = isUuid(params.id) ? await getTune(db, params.id) : null;
	if (!tune) error(404, 'There is no such tune.');
	const [routes, instruments, player] = await Promise.all([
		listRoutes(db, tune.id),
		listInstruments(db),
		getPlayer(db)
	]);
	return { tune, routes, instruments, player };
};
