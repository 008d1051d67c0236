import { randomUUID } from 'node:crypto';
import { existsSync, mkdtempSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { copyTemplate, templatePath } from '../../../scripts/template.mjs';
import { openEmbedded } from './embedded';
import { openServer } from './postgres';

/** Where a PostgreSQL server waits for tests; without it they run on the embedded database. */
export const SERVER: string | undefined = process.env.ARC_STEP_TEST_POSTGRES;

/** Makes the empty notebook that others are copied from, unless it is there; of several at once one is kept. */
async function makeTemplate(): Promise<void> {
	const template = templatePath();
	if (existsSync(template)) return;
	const aside = mkdtempSync(`${template}-`);
	const { close } = await openEmbedded(aside);
	await close();
	for (const name of readdirSync(aside)) {
		if (name !== 'pg') rmSync(join(aside, name), { recursive: true, force: true });
	}
	try {
		renameSync(aside, template);
	} catch {
		rmSync(aside, { recursive: true, force: true });
	}
}

/** A new, empty notebook that can be opened again and again until it is removed. */
export async function newNotebook() {
	if (!SERVER) {
		const folder = mkdtempSync(join(tmpdir(), 'arc-step-unit-'));
		const remove = () => Promise.resolve(rmSync(folder, { recursive: true, force: true }));
		const data = join(folder, 'deep', 'data');
		await makeTemplate();
		copyTemplate(data);
		return { open: (migrations?: string) => openEmbedded(data, migrations), remove };
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
