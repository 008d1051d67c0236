import { playerUpdate } from '$lib/api/notebook-schema';
import { openDatabase } from '$lib/server/database';
import { json, readJson } from '$lib/server/http';
import { getPlayer, updatePlayer } from '$lib/server/instruments';
import { problemResponse } from '$lib/server/problem';

export async function GET(): Promise<Response> {
	return json(await getPlayer(await openDatabase()));
}

export async function PUT({ request }: { request: Request }): Promise<Response> {
	const read = await readJson(request, playerUpdate);
	if ('error' in read) return read.error;
	const db = await openDatabase();
	const { version, ...input } = read.value;
	const saved = await updatePlayer(db, input, version);
	if (saved) return json(saved);
	const current = await getPlayer(db);
	const detail = `Your settings are at version ${current.version} by now; yours were made from ${version}.`;
	return problemResponse(409, detail, undefined, { current });
}
