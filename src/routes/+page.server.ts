import { LONGEST_QUERY } from '$lib/api/search-schema';
import { openDatabase } from '$lib/server/database';
import { homePage } from '$lib/server/home';
import { lastWeeks } from '$lib/server/practice';
import type { PageServerLoad } from './$types';

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
