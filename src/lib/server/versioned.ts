import { and, eq, sql, type SQL } from 'drizzle-orm';
import type { PgColumn, PgTable, PgUpdateSetSource } from 'drizzle-orm/pg-core';
import type { Database } from './database';

type VersionedTable = PgTable & { readonly version: PgColumn };

/**
 * Saves a row made from a version, which goes up by one.
 * @returns the row as it is now; undefined when that version is stale or the row is gone
 */
export async function saveVersioned<T extends VersionedTable>(
	db: Database,
	table: T,
	which: SQL | undefined,
	version: number,
	values: PgUpdateSetSource<T>
): Promise<T['$inferSelect'] | undefined> {
	const [row] = await db
		.update(table as PgTable)
		.set({ ...values, version: sql`${table.version} + 1`, updatedAt: new Date() })
		.where(and(which, eq(table.version, version)))
		.returning();
	return row;
}
