import { openDatabase } from '$lib/server/database';
import { notebook } from '$lib/server/tunes';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({ tunes: await notebook(await openDatabase()) });
