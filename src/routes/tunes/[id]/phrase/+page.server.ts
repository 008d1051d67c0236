import { openDatabase } from '$lib/server/database';
import { listMotifs } from '$lib/server/motifs';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({
	motifs: await listMotifs(await openDatabase())
});
