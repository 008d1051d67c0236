import { hasLostFolder, openDatabase } from '$lib/server/database';
import { json } from '$lib/server/http';
import { folderLost } from '$lib/server/problem';
import { isAlive } from '$lib/server/pulse';
import packageInfo from '../../../package.json';

export async function GET(): Promise<Response> {
	if (hasLostFolder()) return folderLost();
	const db = await openDatabase();
	await isAlive(db);
	return json({ ok: true, name: packageInfo.name, version: packageInfo.version });
}
