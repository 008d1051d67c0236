import { isGuarded } from '$lib/server/access';
import { openDatabase } from '$lib/server/database';
import { getPlayer, listInstruments } from '$lib/server/instruments';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async () => {
	const db = await openDatabase();
	const [instruments, player] = await Promise.all([listInstruments(db), getPlayer(db)]);
	return { instruments, player, guarded: isGuarded() };
};
