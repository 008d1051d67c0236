import { openDatabase } from '$lib/server/database';
import { json, readBytes } from '$lib/server/http';
import { readBackupInPool } from '$lib/server/pool';
import { brokenRule, problemResponse } from '$lib/server/problem';
import { previewRestore, restore } from '$lib/server/restore';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ request, url }) => {
	const mode = url.searchParams.get('mode');
	if (mode !== 'merge' && mode !== 'replace') {
		const message = 'Say how: ?mode=merge adds to the notebook, ?mode=replace empties it first.';
		return brokenRule([{ path: 'mode', message }]);
	}
	const type = request.headers.get('content-type')?.split(';')[0].trim().toLowerCase();
	if (type !== 'application/json') {
		return problemResponse(415, 'Send the backup as application/json.');
	}
	const body = await readBytes(request);
	if ('response' in body) return body.response;
	const read = await readBackupInPool(body.bytes);
	if ('issues' in read) {
		return read.json ? brokenRule(read.issues) : problemResponse(400, 'The body is not JSON.');
	}
	const db = await openDatabase();
	if (url.searchParams.get('preview') === '1') {
		return json(await previewRestore(db, read.backup, mode));
	}
	return json(await restore(db, read.backup, mode));
};
