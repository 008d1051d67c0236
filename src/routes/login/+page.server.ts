import { loginForm } from '$lib/api/form-schema';
import { isGuarded, isInside } from '$lib/server/access';
import { openDatabase } from '$lib/server/database';
import { readForm } from '$lib/server/http';
import { SESSION, signIn } from '$lib/server/session-cookie';
import { fail, redirect } from '@sveltejs/kit';
import { setError, superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
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
	return { form: await superValidate(zod4(loginForm)) };
};

export const actions: Actions = {
	default: async (event) => {
		if (!isGuarded()) redirect(303, '/');
		// The body is read within its bounds first; what it says is judged after that.
		const form = await superValidate(await readForm(event.request), zod4(loginForm), {
			errors: true
		});
		if (!form.valid) return fail(422, { form });
		const refused = await signIn(event, form.data.passphrase);
		form.data.passphrase = '';
		if (refused) return setError(form, 'passphrase', refused.message, { status: refused.status });
		redirect(303, onward(event.url));
	}
};
