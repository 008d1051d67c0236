import { dev } from '$app/environment';
import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

/** For who builds screens; a player's server has no such page. */
export const load: PageServerLoad = () => {
	if (!dev && process.env.ARC_STEP_PARTS !== '1') error(404, 'Not found');
};
