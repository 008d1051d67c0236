import { LONGEST_QUERY } from '$lib/api/search-schema';
import { openDatabase } from '$lib/server/database';
import { homePage } from '$lib/server/home';
import { lastWeeks } from '$lib/server/practice';
import { loadDemo } from '$lib/server/demo';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url }) => {
	const db = await openDatabase();
	const now = new Date();
	const query = (url.searchParams.get('q') ?? '').trim().slice(0, LONGEST_QUERY);
	return {
		now: now.getTime(),
		query,
		weeks: await lastWeeks(db, now),
		...(await homePage(db, query, now))
	};
};

export const actions: Actions = {
	/** Lays the demo into an empty notebook; one that holds anything is left as it is. */
	demo: async () => ({ demo: await loadDemo(await openDatabase()) })
};
