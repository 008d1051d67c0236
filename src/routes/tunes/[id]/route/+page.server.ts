import { openDatabase } from '$lib/server/database';
import { isUuid } from '$lib/server/http';
import { getRoute } from '$lib/server/routes';
import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

/** The route asked for; without one the newest; none for `?route=new` and for a tune without routes. */
export const load: PageServerLoad = async ({ params, url, parent }) => {
	const { routes } = await parent();
	const asked = url.searchParams.get('route');
	const id = asked ?? routes.at(-1)?.id ?? 'new';
	if (id === 'new') return { route: null };
	const found = isUuid(id) ? await getRoute(await openDatabase(), id) : null;
	if (!found || found.route.tuneId !== params.id)
		error(404, 'There is no such route in this tune.');
	return { route: found.route };
};
