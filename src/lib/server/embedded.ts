import { PGlite } from '@electric-sql/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { createRequire } from 'node:module';
import { setImmediate } from 'node:timers/promises';
import { Worker } from 'node:worker_threads';
import { lockFolder } from './lock';
import * as schema from './schema';
import { StartProblem } from './start-problem';
import { checkRoom, makeFolder, Storage } from './storage';
import { checkAge, newestOf, NOT_CHANGED, ourMigrations, told, type Opened } from './tables';

/** Of the usual 128 MB a notebook has no use; with these a large one is read as quickly. */
const START = [...PGlite.defaultStartParams, '-c', 'shared_buffers=32MB'];

/**
 * Opens the embedded database of a folder, which is made with its parents, under an exclusive lock:
 * two processes on one folder would lose each other's rows without an error.
 * @throws FolderInUse when another process holds the folder; StartProblem when it cannot be written, has no
 * room, or its tables cannot be brought up to date, which leaves them as they were.
 */
export async function openEmbedded(
	folder: string,
	migrationsFolder = ourMigrations()
): Promise<Opened> {
	makeFolder(folder);
	checkRoom(folder);
	const unlock = await lockFolder(folder);
	try {
		const storage = new Storage(folder);
		storage.tidy();
		const newest = newestOf(migrationsFolder);
		if (storage.exists) storage.copyBefore(newest);
		else {
			console.log(`Creating the notebook in ${folder} (this takes a few seconds) …`);
			await storage.create(createFiles);
		}
		const client = await openFiles(storage.files).catch((error: unknown) => {
			throw new StartProblem(
				`The notebook in ${folder} could not be opened (${told(error)}); it was left as it is. Where the disk is full, make room and start again.`
			);
		});
		const db = drizzle(client, { schema });
		try {
			await checkAge(db, newest);
			await migrate(db, { migrationsFolder });
		} catch (error) {
			await client.close();
			storage.putBack(newest);
			if (error instanceof StartProblem) throw error;
			throw new StartProblem(`${NOT_CHANGED} (${told(error)}). It is whole, as it was before.`);
		}
		storage.done(newest);
		const opened = (client: PGlite): Opened => ({
			db: drizzle(client, { schema }),
			close: async () => {
				await client.close();
				await unlock();
			},
			// What broke is not closed: it would write what it believes.
			reopen: async () => opened(await openFiles(storage.files))
		});
		return opened(client);
	} catch (error) {
		await unlock();
		throw error;
	}
}

/** How long statements may follow each other before others are looked after, in ms. */
const TURN_MS = 8;

/**
 * Opens the files of a database. It runs in this thread: of several statements that follow each other none would let
 * a request in, so between two messages to it there is a turn for others.
 */
async function openFiles(dataDir: string): Promise<PGlite> {
	const client = await PGlite.create({ dataDir, startParams: START });
	const execute = client.execProtocolRaw.bind(client);
	let turned = performance.now();
	client.execProtocolRaw = async (...message) => {
		if (performance.now() - turned > TURN_MS) {
			await setImmediate();
			turned = performance.now();
		}
		return execute(...message);
	};
	return client;
}

/**
 * Makes the files of an empty database. A thread of its own does it, which ends and gives back the hundreds of
 * megabytes that this takes.
 */
function createFiles(files: string): Promise<void> {
	const module = createRequire(import.meta.url).resolve('@electric-sql/pglite');
	const code = `const { workerData } = require('node:worker_threads');
		const { PGlite } = require(workerData.module);
		PGlite.create(workerData.files).then((database) => database.close());`;
	return new Promise((resolve, reject) => {
		const worker = new Worker(code, { eval: true, workerData: { module, files } });
		worker.once('error', reject);
		worker.once('exit', (code) =>
			code === 0 ? resolve() : reject(new Error(`it ended with ${code}`))
		);
	});
}
