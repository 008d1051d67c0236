import { openDatabase } from '$lib/server/database';
import { isUuid } from '$lib/server/http';
import { getHabits, getLog, getPair } from '$lib/server/log';
import { logFilterOf } from '$lib/server/log-filter';
import { getTakes } from '$lib/server/takes';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url }) => {
	const db = await openDatabase();
	const filter = logFilterOf(url.searchParams);
	const asked = (url.searchParams.get('compare') ?? '').split(',').filter(isUuid).slice(0, 2);
	const pair = asked.length === 2 ? asked : await getPair(db);
	const found = pair.length === 2 ? await getTakes(db, pair) : [];
	return {
		now: Date.now(),
		filter,
		log: await getLog(db, filter),
		habits: await getHabits(db, filter),
		pair: pair.flatMap((id) => found.find((one) => one.id === id) ?? [])
	};
};
