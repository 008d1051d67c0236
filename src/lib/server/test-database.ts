import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { openEmbedded, openServer } from './database';

/** Where a PostgreSQL server waits for tests; without it they run on the embedded database. */
export const SERVER: string | undefined = process.env.ARC_STEP_TEST_POSTGRES;

/** A new, empty notebook that can be opened again and again until it is removed. */
export async function newNotebook() {
	if (!SERVER) {
		const folder = mkdtempSync(join(tmpdir(), 'arc-step-unit-'));
		const remove = () => Promise.resolve(rmSync(folder, { recursive: true, force: true }));
		return {
			open: (migrations?: string) => openEmbedded(join(folder, 'deep', 'data'), migrations),
			remove
		};
	}
	const name = `test_${randomUUID().replaceAll('-', '')}`;
	const url = new URL(SERVER);
	url.pathname = `/${name}`;
	const onServer = async (statement: string) => {
		const client = new pg.Client({ connectionString: SERVER });
		await client.connect();
		await client.query(statement);
		await client.end();
	};
	await onServer(`create database ${name}`);
	return {
		open: (migrations?: string) => openServer(url.href, migrations),
		remove: () => onServer(`drop database ${name} with (force)`)
	};
}
