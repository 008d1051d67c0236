import { openDatabase } from '$lib/server/database';
import { isUuid } from '$lib/server/http';
import { getTunePage } from '$lib/server/tune-page';
import { error } from '@sveltejs/kit';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params }) => {
	const page = isUuid(params.id) ? await getTunePage(await openDatabase(), params.id) : null;
	if (!page) error(404, 'There is no such tune.');
	return page;
};
