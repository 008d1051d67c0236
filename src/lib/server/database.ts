import { sql } from 'drizzle-orm';
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import { openEmbedded } from './embedded';
import { openServer } from './postgres';
import { isNearlyFull } from './storage';
import { told, type Database, type Opened } from './tables';

export type { Database } from './tables';

const dataFolder = () => resolve(process.env.ARC_STEP_DATA ?? 'data');

/** Whether the disk of the embedded database has no room for more; a server looks after itself. */
export const hasNoRoom = (): boolean =>
	!process.env.DATABASE_URL && existsSync(dataFolder()) && isNearlyFull(dataFolder());

/** Whether the folder of the embedded database was taken away while it was open: what is written goes nowhere. */
export const hasLostFolder = (): boolean =>
	!process.env.DATABASE_URL && !existsSync(join(dataFolder(), 'pg', 'PG_VERSION'));

/**
 * Does all of it or nothing. What failed first is told: on a database that broke, taking the rest back fails as well,
 * which says less.
 */
export async function atomically<T>(db: Database, work: (tx: Database) => Promise<T>): Promise<T> {
	let first: { readonly error: unknown } | undefined;
	const noted = (tx: Database) =>
		work(tx).catch((error: unknown) => {
			first = { error };
			throw error;
		});
	try {
		return await db.transaction(noted);
	} catch (error) {
		throw first ? first.error : error;
	}
}

// One connection a process, also when the development server loads this module again.
const held = globalThis as typeof globalThis & {
	arcStepDatabase?: Promise<Opened>;
	arcStepMending?: Promise<boolean>;
};

/**
 * Opens the database of this process once: `DATABASE_URL`, or else the embedded one in
 * `ARC_STEP_DATA`.
 * @throws StartProblem when it cannot be opened.
 */
export async function openDatabase(): Promise<Database> {
	const url = process.env.DATABASE_URL;
	held.arcStepDatabase ??= url ? openServer(url) : openEmbedded(dataFolder());
	return (await held.arcStepDatabase).db;
}

/**
 * After an error: sees whether the embedded database still answers. One that broke, as where a full disk stopped it
 * in the middle of a write, is opened again, which brings back all that was acknowledged.
 * @returns whether it had broken
 */
export function mendDatabase(): Promise<boolean> {
	held.arcStepMending ??= mend().finally(() => (held.arcStepMending = undefined));
	return held.arcStepMending;
}

/** How long a database that may have broken is waited for. */
const PATIENCE_MS = 1000;

async function mend(): Promise<boolean> {
	const current = held.arcStepDatabase;
	const opened = await current;
	if (!opened?.reopen) return false;
	const asked = opened.db.execute(sql`select 1`).then(
		() => true,
		() => false
	);
	// One that is busy with something long is not broken: that would say so at once.
	const answers = await Promise.race([asked, setTimeout(PATIENCE_MS, true, { ref: false })]);
	// Another may have opened or closed it meanwhile.
	if (answers || held.arcStepDatabase !== current) return false;
	console.error('The database broke; it is opened again.');
	const again = opened.reopen();
	held.arcStepDatabase = again;
	await again.catch((error: unknown) => {
		// Whoever asks next meets the broken one, and it is tried again.
		console.error(`The database could not be opened again: ${told(error)}`);
		if (held.arcStepDatabase === again) held.arcStepDatabase = current;
	});
	return true;
}

/** Closes the database and gives the folder back. */
export async function closeDatabase(): Promise<void> {
	const opened = held.arcStepDatabase;
	held.arcStepDatabase = undefined;
	await (await opened)?.close();
}
