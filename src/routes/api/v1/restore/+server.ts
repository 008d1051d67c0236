import { openDatabase } from '$lib/server/database';
import { json } from '$lib/server/http';
import { inPool } from '$lib/server/pool';
import { brokenRule, noRoom, problemResponse } from '$lib/server/problem';
import { NoRoom, previewRestore, restore } from '$lib/server/restore';
import type { BackupFault } from '$lib/server/backup-reader';
import { spool } from '$lib/server/spool';
import type { RequestHandler } from './$types';

const TYPES = new Set(['application/json', 'application/gzip', 'application/x-gzip']);

/** The answer to a backup that cannot be read. */
function refusalOf(fault: BackupFault): Response {
	switch (fault.kind) {
		case 'too-large':
			return problemResponse(413, 'Unpacked, this backup is larger than 8 GiB.');
		case 'no-room':
			return noRoom();
		case 'no-json':
			return problemResponse(400, fault.issues[0]?.message ?? 'The body is not JSON.');
		case 'broken':
			return brokenRule(fault.issues);
	}
}

export const POST: RequestHandler = async ({ request, url }) => {
	const mode = url.searchParams.get('mode');
	if (mode !== 'merge' && mode !== 'replace') {
		const message = 'Say how: ?mode=merge adds to the notebook, ?mode=replace empties it first.';
		return brokenRule([{ path: 'mode', message }]);
	}
	const type = request.headers.get('content-type')?.split(';')[0].trim().toLowerCase();
	if (!type || !TYPES.has(type)) {
		return problemResponse(
			415,
			'Send the backup as application/json, or packed as application/gzip.'
		);
	}
	const sent = await spool(request);
	if (!sent) return noRoom();
	try {
		const read = await inPool.readBackup({ path: sent.path, packed: sent.packed });
		if ('error' in read) return refusalOf(read.error);
		const db = await openDatabase();
		const backup = { index: read.value, path: sent.path };
		if (url.searchParams.get('preview') === '1') {
			return json(await previewRestore(db, backup, mode));
		}
		return json(await restore(db, backup, mode));
	} catch (error) {
		if (error instanceof NoRoom) return noRoom();
		throw error;
	} finally {
		sent.remove();
	}
};
