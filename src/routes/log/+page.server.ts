import { openDatabase } from '$lib/server/database';
import { isUuid } from '$lib/server/http';
import { SORTS, type LogFilter, type Sort } from '$lib/api/log-page';
import { getHabits, getLog, getPair } from '$lib/server/log';
import { getTakes } from '$lib/server/takes';
import type { PageServerLoad } from './$types';

/** What the address asks for; anything else in it is as if it were not there. */
function filterOf(params: URLSearchParams): LogFilter {
	const tune = params.get('tune');
	const place = Number(params.get('place'));
	const key = params.get('key');
	const sort = params.get('sort') as Sort | null;
	const skip = Number(params.get('skip'));
	return {
		tune: tune && isUuid(tune) ? tune : null,
		place: Number.isInteger(place) && place >= 1 && place <= 24 ? place : null,
		key: key && /^[A-G](bb|b|##|#)?$/.test(key) ? key : null,
		sort: sort && SORTS.includes(sort) ? sort : 'when',
		down: params.get('order') !== 'up',
		skip: Number.isInteger(skip) && skip > 0 ? Math.min(skip, 1_000_000) : 0
	};
}

export const load: PageServerLoad = async ({ url }) => {
	const db = await openDatabase();
	const filter = filterOf(url.searchParams);
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
