import { openDatabase } from '$lib/server/database';
import { cardsOf } from '$lib/server/takes';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => ({
	cards: await cardsOf(await openDatabase(), params.id)
});
