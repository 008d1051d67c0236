import { LONGEST_QUERY } from '$lib/api/search-schema';
import { openDatabase } from '$lib/server/database';
import { json } from '$lib/server/http';
import { brokenRule } from '$lib/server/problem';
import { search } from '$lib/server/search';

export async function GET({ url }: { url: URL }): Promise<Response> {
	const query = (url.searchParams.get('q') ?? '').trim();
	if (query === '' || query.length > LONGEST_QUERY) {
		const message = `Say in q what to look for, in at most ${LONGEST_QUERY} characters.`;
		return brokenRule([{ path: 'q', message }]);
	}
	return json(await search(await openDatabase(), query));
}
