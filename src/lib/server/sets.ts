import { saveVersioned } from './versioned';
import { and, asc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import type { Issue } from '../api/chart-schema';
import type { SetAnswer, SetInput } from '../api/notebook-schema';
import { atomically, type Database } from './database';
import { setItem, setList, tune } from './schema';

const columns = {
	set: setList,
	tuneIds: sql<
		string[]
	>`coalesce(json_agg(${setItem.tuneId} order by ${setItem.place}) filter (where ${tune.id} is not null), '[]')`
};
const answer = ({
	set: { createdAt, updatedAt, ...row },
	tuneIds
}: {
	set: typeof setList.$inferSelect;
	tuneIds: string[];
}): SetAnswer => ({
	...row,
	tuneIds,
	createdAt: createdAt.toISOString(),
	updatedAt: updatedAt.toISOString()
});

const select = (db: Database) =>
	db
		.select(columns)
		.from(setList)
		.leftJoin(setItem, eq(setItem.setId, setList.id))
		.leftJoin(tune, and(eq(tune.id, setItem.tuneId), isNull(tune.deletedAt)));

/** All sets, the oldest first, with their tunes in playing order. */
export async function listSets(db: Database): Promise<SetAnswer[]> {
	const rows = await select(db)
		.groupBy(setList.id)
		.orderBy(asc(setList.createdAt), asc(setList.id));
	return rows.map(answer);
}

export async function getSet(db: Database, id: string): Promise<SetAnswer | null> {
	const [row] = await select(db).where(eq(setList.id, id)).groupBy(setList.id);
	return row ? answer(row) : null;
}

/** What forbids keeping a set: a tune that is not there, or that stands in it twice. */
export async function checkSet(db: Database, { tuneIds }: SetInput): Promise<Issue[]> {
	const found = tuneIds.length
		? await db
				.select({ id: tune.id })
				.from(tune)
				.where(and(inArray(tune.id, tuneIds), isNull(tune.deletedAt)))
		: [];
	const known = new Set(found.map(({ id }) => id));
	return tuneIds.flatMap((id, i) => {
		const path = `tuneIds.${i}`;
		if (!known.has(id)) return [{ path, message: `There is no tune ${id}.` }];
		if (tuneIds.indexOf(id) < i) return [{ path, message: 'This tune is in the set already.' }];
		return [];
	});
}

const itemsOf = (setId: string, tuneIds: readonly string[]) =>
	tuneIds.map((tuneId, place) => ({ setId, tuneId, place }));

export async function createSet(db: Database, input: SetInput): Promise<SetAnswer> {
	const { name, note, tuneIds } = input;
	return atomically(db, async (tx) => {
		const [set] = await tx.insert(setList).values({ name, note }).returning();
		if (tuneIds.length > 0) await tx.insert(setItem).values(itemsOf(set.id, tuneIds));
		return answer({ set, tuneIds: [...tuneIds] });
	});
}

/** Saves a set made from a version; null when that version is stale or the row is gone. */
export async function updateSet(
	db: Database,
	id: string,
	input: SetInput,
	version: number
): Promise<SetAnswer | null> {
	const { name, note, tuneIds } = input;
	return atomically(db, async (tx) => {
		const set = await saveVersioned(tx, setList, eq(setList.id, id), version, { name, note });
		if (!set) return null;
		// A deleted tune that is brought back is still in the set, at its end.
		const hidden = await tx
			.select({ id: tune.id })
			.from(setItem)
			.innerJoin(tune, eq(tune.id, setItem.tuneId))
			.where(and(eq(setItem.setId, id), isNotNull(tune.deletedAt)))
			.orderBy(asc(setItem.place));
		await tx.delete(setItem).where(eq(setItem.setId, id));
		const items = itemsOf(id, [...tuneIds, ...hidden.map((row) => row.id)]);
		if (items.length > 0) await tx.insert(setItem).values(items);
		return answer({ set, tuneIds: [...tuneIds] });
	});
}
