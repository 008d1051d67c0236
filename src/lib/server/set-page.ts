import { QUARTER } from '$core/kernel';
import type { Role } from '$core/chord';
import type { Notation } from '$core/pitch';
import { asc, desc, inArray } from 'drizzle-orm';
import type { Database } from './database';
import { route, tune } from './schema';
import { getSet } from './sets';

/** One line of a set list: what the player must know before the count-in. */
type SetLine = {
	readonly id: string;
	readonly title: string;
	readonly key: string;
	readonly tempo: number;
	readonly feel: string;
	readonly bars: number;
	/** Quarter notes of one time through. */
	readonly quarters: number;
	/** The first chords, as they are written, until four have been told. */
	readonly opening: readonly string[];
	/** Where the hand goes and the first landing of the route that was saved last; null without one. */
	readonly start: {
		readonly position: number;
		readonly symbol: Notation;
		readonly name: Notation;
		readonly role: Role;
		readonly string: number;
		readonly fret: number;
	} | null;
};

/** A set as it is printed; null when there is no such set. */
export async function setPage(db: Database, id: string) {
	const set = await getSet(db, id);
	if (!set) return null;
	const rows = set.tuneIds.length
		? await db.select().from(tune).where(inArray(tune.id, set.tuneIds))
		: [];
	const planned = set.tuneIds.length
		? await db
				.selectDistinctOn([route.tuneId], {
					tuneId: route.tuneId,
					position: route.position,
					plan: route.plan
				})
				.from(route)
				.where(inArray(route.tuneId, set.tuneIds))
				.orderBy(asc(route.tuneId), desc(route.updatedAt), desc(route.createdAt))
		: [];
	const lines = set.tuneIds.flatMap((tuneId): SetLine[] => {
		const row = rows.find((one) => one.id === tuneId);
		if (!row) return [];
		const found = planned.find((one) => one.tuneId === tuneId);
		const first = found?.plan.targets[0];
		return [
			{
				...{ id: row.id, title: row.title, key: row.key, tempo: row.tempo },
				...{ feel: row.feel, bars: row.bars },
				quarters: row.barTicks.reduce((sum, ticks) => sum + ticks, 0) / QUARTER,
				opening: row.opening,
				start:
					found && first
						? {
								...{ position: found.position, symbol: first.symbol, name: first.name },
								...{ role: first.role, string: first.string, fret: first.fret }
							}
						: null
			}
		];
	});
	return { set: { id: set.id, name: set.name, note: set.note }, lines };
}
