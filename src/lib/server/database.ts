import { PGlite } from '@electric-sql/pglite';
import { drizzle as drizzlePglite } from 'drizzle-orm/pglite';
import { migrate as migratePglite } from 'drizzle-orm/pglite/migrator';
import { drizzle as drizzleServer } from 'drizzle-orm/node-postgres';
import { migrate as migrateServer } from 'drizzle-orm/node-postgres/migrator';
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import { existsSync, mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import pg from 'pg';
import { lockFolder } from './lock';
import { projectRoot } from './paths';
import * as schema from './schema';

/** The database, embedded or a server; both speak the same schema. */
export type Database = PgDatabase<PgQueryResultHKT, typeof schema>;

type Opened = { readonly db: Database; readonly close: () => Promise<void> };

const migrationsFolder = () => join(projectRoot(), 'drizzle');

async function openServer(url: string): Promise<Opened> {
	const pool = new pg.Pool({ connectionString: url });
	const db = drizzleServer(pool, { schema });
	await migrateServer(db, { migrationsFolder: migrationsFolder() });
	return { db, close: () => pool.end() };
}

/**
 * Opens the embedded database of a folder, which is made with its parents, under an exclusive lock:
 * two processes on one folder would lose each other's rows without an error.
 */
export async function openEmbedded(folder: string): Promise<Opened> {
	mkdirSync(folder, { recursive: true });
	const unlock = await lockFolder(folder);
	try {
		const files = join(folder, 'pg');
		if (!existsSync(join(files, 'PG_VERSION'))) {
			console.log(`Creating the notebook in ${folder} (this takes a few seconds) …`);
		}
		const client = await PGlite.create(files);
		const db = drizzlePglite(client, { schema });
		await migratePglite(db, { migrationsFolder: migrationsFolder() });
		const close = async () => {
			await client.close();
			await unlock();
		};
		return { db, close };
	} catch (error) {
		await unlock();
		throw error;
	}
}

// One connection a process, also when the development server loads this module again.
const held = globalThis as typeof globalThis & { arcStepDatabase?: Promise<Opened> };

/**
 * Opens the database of this process once: `DATABASE_URL`, or else the embedded one in
 * `ARC_STEP_DATA`.
 * @throws FolderInUse when another process holds the folder.
 */
export async function openDatabase(): Promise<Database> {
	const url = process.env.DATABASE_URL;
	held.arcStepDatabase ??= url
		? openServer(url)
		: openEmbedded(resolve(process.env.ARC_STEP_DATA ?? 'data'));
	return (await held.arcStepDatabase).db;
}

/** Closes the database and gives the folder back. */
export async function closeDatabase(): Promise<void> {
	const opened = held.arcStepDatabase;
	held.arcStepDatabase = undefined;
	await (await opened)?.close();
}
