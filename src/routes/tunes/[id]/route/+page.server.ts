import { openDatabase } from '$lib/server/database';
import { isUuid } from '$lib/server/http';
import { getRoute } from '$lib/server/routes';
import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

/**
 * The route asked for; without one the newest at the hand's place, or, where no place is given, the
 * newest of all. A place that is not planned yet, a tune without routes and `?route=new` begin anew.
 */
export const load: PageServerLoad = async ({ params, url, parent }) => {
	const { routes } = await parent();
	const position = url.searchParams.get('position');
	const here = routes.filter((route) => position === null || String(route.position) === position);
	const id = url.searchParams.get('route') ?? here.at(-1)?.id ?? 'new';
	if (id === 'new') return { route: null };
	const found = isUuid(id) ? await getRoute(await openDatabase(), id) : null;
	if (!found || found.route.tuneId !== params.id)
		error(404, 'There is no such route in this tune.');
	return { route: found.route };
};
