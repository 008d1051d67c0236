import { and, asc, count, eq, inArray, isNull, sql } from 'drizzle-orm';
import type { Board } from '../api/home-page';
import type { SetAnswer } from '../api/notebook-schema';
import type { Database } from './database';
import { practiceByTune, practisedCards, today } from './practice';
import { route, tune } from './schema';
import { search } from './search';
import { listSets } from './sets';
import { notebook } from './tunes';

/** Rows that the notebook begins with; the rest comes when they are there. */
const FIRST_ROWS = 60;

/** The whole board of a notebook of any size. */
export async function wholeBoard(db: Database): Promise<Board> {
	return {
		tunes: await notebook(db),
		sets: await listSets(db),
		practice: practiceByTune(await practisedCards(db))
	};
}

const alive = isNull(tune.deletedAt);

/** The ids that are shown first: those of the sets in their order, then the rest as they were written. */
async function firstIds(db: Database, sets: readonly SetAnswer[]): Promise<string[]> {
	const inSets = [...new Set(sets.flatMap(({ tuneIds }) => tuneIds))];
	if (inSets.length >= FIRST_ROWS) return inSets.slice(0, FIRST_ROWS);
	const rest = await db
		.select({ id: tune.id })
		.from(tune)
		.where(and(alive, sql`not exists (select 1 from set_item i where i.tune_id = ${tune.id})`))
		.orderBy(asc(tune.createdAt), asc(tune.id))
		.limit(FIRST_ROWS - inSets.length);
	return [...inSets, ...rest.map(({ id }) => id)];
}

/** How many tunes there are, and how many of them are planned. */
async function countsOf(db: Database): Promise<{ tunes: number; planned: number }> {
	const [row] = await db
		.select({
			tunes: count(),
			planned: sql<number>`count(*) filter (where exists (
				select 1 from ${route} where ${eq(route.tuneId, tune.id)}))::int`
		})
		.from(tune)
		.where(alive);
	return row;
}

/**
 * What the notebook shows at first: everything where it is small, else the first rows, or the first that a search
 * found; `partial` says that there is more.
 */
export async function homePage(db: Database, query: string, now: Date) {
	const answer = query === '' ? null : await search(db, query);
	const counts = await countsOf(db);
	const sets = await listSets(db);
	const ids = answer
		? answer.found.slice(0, FIRST_ROWS).map(({ id }) => id)
		: counts.tunes > FIRST_ROWS
			? await firstIds(db, sets)
			: null;
	const cards = await practisedCards(db);
	const practice = practiceByTune(cards);
	const shown = ids && new Set(ids);
	return {
		counts,
		tunes: await notebook(db, ids ? inArray(tune.id, ids) : undefined),
		sets: shown
			? sets.map((set) => ({ ...set, tuneIds: set.tuneIds.filter((id) => shown.has(id)) }))
			: sets,
		practice: shown ? new Map([...practice].filter(([id]) => shown.has(id))) : practice,
		practised: practice.size,
		/** The next day on which something is due, ms since 1970. */
		soon: Math.min(...[...practice.values()].flatMap(({ due }) => due ?? Infinity)),
		partial: answer === null && counts.tunes > FIRST_ROWS,
		today: today(cards, now),
		found:
			answer &&
			new Map(
				answer.found.slice(0, FIRST_ROWS).map(({ id, matches }) => [
					id,
					matches
						.filter((match) => match.in === 'chords' || match.in === 'words')
						.map(({ text }) => text)
						.join('; ')
				])
			),
		foundCount: answer?.found.length ?? 0
	};
}
