import { isGuarded, isInside } from '$lib/server/access';
import { openDatabase } from '$lib/server/database';
import { readForm } from '$lib/server/http';
import { SESSION, signIn } from '$lib/server/session-cookie';
import { fail, redirect } from '@sveltejs/kit';
import type { Actions, PageServerLoad } from './$types';

/** Where to go on: a path of this server, never another site. */
function onward(url: URL): string {
	const wish = url.searchParams.get('to') ?? '/';
	const to = URL.canParse(wish, url.origin) ? new URL(wish, url.origin) : new URL('/', url.origin);
	return to.origin === url.origin ? `${to.pathname}${to.search}` : '/';
}

export const load: PageServerLoad = async ({ cookies, url }) => {
	const inside = !isGuarded() || (await isInside(await openDatabase(), cookies.get(SESSION)));
	if (inside) redirect(303, onward(url));
};

export const actions: Actions = {
	default: async (event) => {
		if (!isGuarded()) redirect(303, '/');
		const form = await readForm(event.request);
		const words = form?.get('passphrase');
		if (!words) return fail(422, { message: 'Give the passphrase.' });
		const refused = await signIn(event, words);
		if (refused) return fail(refused.status, { message: refused.message });
		redirect(303, onward(event.url));
	}
};
