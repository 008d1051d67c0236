import { openDatabase } from '$lib/server/database';
import { json } from '$lib/server/http';
import { sql } from 'drizzle-orm';
import packageInfo from '../../../package.json';

export async function GET(): Promise<Response> {
	const db = await openDatabase();
	await db.execute(sql`select 1`);
	return json({ ok: true, name: packageInfo.name, version: packageInfo.version });
}
