import { sessionInput } from '$lib/api/session-schema';
import { isGuarded } from '$lib/server/access';
import { readJson } from '$lib/server/http';
import { notFound, problemResponse } from '$lib/server/problem';
import { signIn, signOut } from '$lib/server/session-cookie';
import type { RequestHandler } from './$types';

const done = () => new Response(null, { status: 204 });

export const POST: RequestHandler = async (event) => {
	const read = await readJson(event.request, sessionInput);
	if ('error' in read) return read.error;
	if (!isGuarded()) return notFound('passphrase here: every request is taken');
	const refused = await signIn(event, read.value.passphrase);
	if (!refused) return done();
	const answer = problemResponse(refused.status, refused.message);
	if (refused.wait > 0) answer.headers.set('retry-after', String(refused.wait));
	return answer;
};

export const DELETE: RequestHandler = async (event) => {
	await signOut(event);
	return done();
};
