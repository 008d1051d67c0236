import { makeBackup } from '$lib/server/backup';
import { openDatabase } from '$lib/server/database';
import { download } from '$lib/server/download';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async () => {
	const backup = await makeBackup(await openDatabase());
	const name = `Arc Step notebook ${backup.exportedAt.slice(0, 10)}`;
	return download(`${JSON.stringify(backup)}\n`, {
		name,
		ending: 'json',
		type: 'application/json'
	});
};
