import { openDatabase } from '$lib/server/database';
import { isUuid } from '$lib/server/http';
import { inPool } from '$lib/server/pool';
import { sheetOptions, sheetRequest } from '$lib/server/sheet-request';
import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, url }) => {
	const db = await openDatabase();
	const asked = Number(url.searchParams.get('position'));
	const route = url.searchParams.get('route');
	const wish = {
		routeId: route !== null && (route === 'none' || isUuid(route)) ? route : null,
		position: Number.isInteger(asked) && asked > 0 ? asked : null
	};
	const options = sheetOptions(url.searchParams);
	const made = isUuid(params.id) ? await sheetRequest(db, params.id, wish, options) : null;
	if (!made) error(404, 'There is no such tune, or it has no such route.');
	const { request, routeId } = made;
	return {
		pages: await inPool.svg(request),
		routeId,
		place: request.position,
		options
	};
};
