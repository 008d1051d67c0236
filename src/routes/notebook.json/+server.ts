import { openDatabase } from '$lib/server/database';
import { wholeBoard } from '$lib/server/home';
import { json } from '$lib/server/http';

/** The whole board, for a page that began with a part of it. */
export async function GET(): Promise<Response> {
	const { tunes, sets, practice } = await wholeBoard(await openDatabase());
	return json({ tunes, sets, practice: [...practice] });
}
