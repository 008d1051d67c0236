import { sql } from 'drizzle-orm';
import { getTableConfig, type PgColumn, type PgTable } from 'drizzle-orm/pg-core';
import { rowsIn } from './tables';
import { atomically, type Database } from './database';
import {
	instrument,
	motif,
	route,
	setItem,
	setList,
	take,
	takeChange,
	trash,
	tune
} from './schema';

type Part = { readonly table: PgTable; readonly key: PgColumn; readonly tune?: PgColumn };

/** What goes away with each kind, its own row first; `tune` is the tune without which a row cannot come back. */
const KINDS = {
	route: [{ table: route, key: route.id, tune: route.tuneId }],
	motif: [{ table: motif, key: motif.id }],
	set: [
		{ table: setList, key: setList.id },
		{ table: setItem, key: setItem.setId, tune: setItem.tuneId }
	],
	instrument: [{ table: instrument, key: instrument.id }],
	take: [
		{ table: take, key: take.id, tune: take.tuneId },
		{ table: takeChange, key: takeChange.takeId, tune: takeChange.tuneId }
	]
} satisfies Record<string, readonly Part[]>;
export type Trashable = keyof typeof KINDS;

const partsOf = (kind: Trashable): readonly Part[] => KINDS[kind];
const nameOf = (table: PgTable): string => getTableConfig(table).name;

/** Deletes one thing so that `bringBack` can undo it; false when it is not there. */
export async function throwAway(db: Database, kind: Trashable, id: string): Promise<boolean> {
	return atomically(db, async (tx) => {
		const [own, ...parts] = partsOf(kind);
		const rows: Record<string, unknown> = {};
		for (const { table, key } of parts) {
			const [found] = await tx
				.select({ all: sql`coalesce(jsonb_agg(to_jsonb(${table}.*)), '[]'::jsonb)` })
				.from(table)
				.where(sql`${key} = ${id}`);
			rows[nameOf(table)] = found.all;
		}
		const [gone] = await tx
			.delete(own.table)
			.where(sql`${own.key} = ${id}`)
			.returning({ row: sql`to_jsonb(${own.table}.*)` });
		if (!gone) return false;
		rows[nameOf(own.table)] = [gone.row];
		await tx
			.insert(trash)
			.values({ kind, id, rows })
			.onConflictDoUpdate({
				target: [trash.kind, trash.id],
				set: { rows, deletedAt: sql`now()` }
			});
		return true;
	});
}

/**
 * Undoes a deletion. What belonged to a tune that is gone for good stays away.
 * @returns false when there is nothing to bring back, or nothing that it could belong to.
 */
export async function bringBack(db: Database, kind: Trashable, id: string): Promise<boolean> {
	return atomically(db, async (tx) => {
		const [held] = await tx
			.delete(trash)
			.where(sql`${trash.kind} = ${kind} and ${trash.id} = ${id}`)
			.returning({ rows: trash.rows });
		if (!held) return false;
		const rows = held.rows as Record<string, unknown>;
		for (const [i, part] of partsOf(kind).entries()) {
			const name = nameOf(part.table);
			const table = sql.identifier(name);
			const owned = part.tune
				? sql`where exists (select 1 from ${tune} as owner where owner.id = old.${sql.identifier(part.tune.name)})`
				: sql``;
			const back = await tx.execute(
				sql`insert into ${table} select * from jsonb_populate_recordset(null::${table},
					${JSON.stringify(rows[name] ?? [])}::jsonb) as old ${owned} on conflict do nothing returning 1`
			);
			const count = rowsIn(back).length;
			if (i === 0 && count === 0) return false;
		}
		return true;
	});
}
