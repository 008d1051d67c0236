import { sql } from 'drizzle-orm';
import { readMigrationFiles } from 'drizzle-orm/migrator';
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import { join } from 'node:path';
import { projectRoot } from './paths';
import type * as schema from './schema';
import { StartProblem } from './start-problem';
import { LATER } from './storage';

/** The database, embedded or a server; both speak the same schema. */
export type Database = PgDatabase<PgQueryResultHKT, typeof schema>;

/** An opened database. */
export type Opened = {
	readonly db: Database;
	readonly close: () => Promise<void>;
	/** Opens it again after it broke; a server mends itself. */
	readonly reopen?: () => Promise<Opened>;
};

/** The folder of the changes of our tables. */
export const ourMigrations = () => join(projectRoot(), 'drizzle');

/** When the newest change of the tables was made, as the database notes it. */
export const newestOf = (migrationsFolder: string): number =>
	Math.max(...readMigrationFiles({ migrationsFolder }).map(({ folderMillis }) => folderMillis));

/** Refuses tables of a later Arc Step. */
export async function checkAge(db: Database, newest: number): Promise<void> {
	const [table] = rowsIn<{ t: string | null }>(
		await db.execute(sql`select to_regclass('drizzle.__drizzle_migrations') as t`)
	);
	if (!table.t) return;
	const [row] = rowsIn<{ newest: string | null }>(
		await db.execute(sql`select max(created_at) as newest from drizzle.__drizzle_migrations`)
	);
	if (Number(row.newest) <= newest) return;
	throw new StartProblem(LATER);
}
/** Rows of a raw query, whichever driver ran it. */
export const rowsIn = <Row>(result: unknown): Row[] =>
	(Array.isArray(result) ? result : (result as { rows: unknown[] }).rows) as Row[];

/** What the database said, in one line. */
export const told = (error: unknown): string => {
	// A statement that fails is told by its cause; a refused connection has only a code.
	const { cause, message, code } = error as NodeJS.ErrnoException;
	return (cause instanceof Error && cause.message) || message || code || 'unknown';
};

/** Begins what is told when the tables cannot be changed. */
export const NOT_CHANGED = 'The tables of the notebook could not be brought to this version';
