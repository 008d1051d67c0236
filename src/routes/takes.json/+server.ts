import { openDatabase } from '$lib/server/database';
import { json } from '$lib/server/http';
import { takesOf } from '$lib/server/log';
import { logFilterOf } from '$lib/server/log-filter';

/** The takes that an address of the log asks for, from its `skip` on, for a table that is scrolled through. */
export async function GET({ url }: { url: URL }): Promise<Response> {
	return json(await takesOf(await openDatabase(), logFilterOf(url.searchParams)));
}
