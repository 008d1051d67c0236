import { LONGEST_QUERY } from '$lib/api/search-schema';
import { openDatabase } from '$lib/server/database';
import { lastWeeks, practiceByTune, practisedCards, today } from '$lib/server/practice';
import { search } from '$lib/server/search';
import { listSets } from '$lib/server/sets';
import { notebook } from '$lib/server/tunes';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url }) => {
	const db = await openDatabase();
	const now = new Date();
	const cards = await practisedCards(db);
	const query = (url.searchParams.get('q') ?? '').trim().slice(0, LONGEST_QUERY);
	const answer = query === '' ? null : await search(db, query);
	return {
		now: now.getTime(),
		tunes: await notebook(db),
		sets: await listSets(db),
		practice: practiceByTune(cards),
		today: today(cards, now),
		weeks: await lastWeeks(db, now),
		query,
		found:
			answer &&
			new Map(
				answer.found.map(({ id, matches }) => [
					id,
					matches
						.filter((match) => match.in === 'chords' || match.in === 'words')
						.map(({ text }) => text)
						.join('; ')
				])
			)
	};
};
