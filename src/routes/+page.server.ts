import { openDatabase } from '$lib/server/database';
import { lastWeeks, practiceByTune, practisedCards, today } from '$lib/server/practice';
import { notebook } from '$lib/server/tunes';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async () => {
	const db = await openDatabase();
	const now = new Date();
	const cards = await practisedCards(db);
	return {
		now: now.getTime(),
		tunes: await notebook(db),
		practice: practiceByTune(cards),
		today: today(cards, now),
		weeks: await lastWeeks(db, now)
	};
};
