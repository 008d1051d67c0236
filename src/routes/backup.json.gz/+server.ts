import { backupText } from '$lib/server/backup';
import { openDatabase } from '$lib/server/database';
import { downloadParts } from '$lib/server/download';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async () => {
	const now = new Date();
	const name = `Arc Step notebook ${now.toISOString().slice(0, 10)}`;
	const parts = backupText(await openDatabase(), now);
	return downloadParts(parts, { name, ending: 'json.gz', type: 'application/gzip' });
};
