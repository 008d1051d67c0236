import { openDatabase } from '$lib/server/database';
import { isUuid } from '$lib/server/http';
import { setPage } from '$lib/server/set-page';
import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => {
	const found = isUuid(params.id) ? await setPage(await openDatabase(), params.id) : null;
	if (!found) error(404, 'There is no such set. It may have been deleted.');
	return found;
};
