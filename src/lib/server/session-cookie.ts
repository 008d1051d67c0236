import type { Cookies } from '@sveltejs/kit';
import { enter, leave } from './access';
import { openDatabase } from './database';

/** Holds a session’s token; no script reads it and no other site sends it. */
export const SESSION = 'arc-step-session';

type Asked = { cookies: Cookies; url: URL; getClientAddress: () => string };

const common = (url: URL) =>
	({ path: '/', httpOnly: true, sameSite: 'strict', secure: url.protocol === 'https:' }) as const;

/** Begins a session and sets its cookie; else says what is wrong, with the status and the seconds to wait. */
export async function signIn(
	{ cookies, url, getClientAddress }: Asked,
	words: string
): Promise<{ status: 401 | 429; message: string; wait: number } | null> {
	const entered = await enter(await openDatabase(), words, getClientAddress());
	if ('value' in entered) {
		const { token, expires } = entered.value;
		cookies.set(SESSION, token, { ...common(url), expires });
		return null;
	}
	const { wait } = entered.error;
	return wait > 0
		? { status: 429, message: `Too many tries; wait ${wait} seconds.`, wait }
		: { status: 401, message: 'That is not the passphrase.', wait };
}

/** Ends the session of a cookie. */
export async function signOut({ cookies, url }: Omit<Asked, 'getClientAddress'>): Promise<void> {
	await leave(await openDatabase(), cookies.get(SESSION));
	cookies.delete(SESSION, common(url));
}
