// Where tests find an empty notebook to copy: making one takes seconds. It is made anew when its tables change.
import { createHash } from 'node:crypto';
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { root } from './lib.mjs';

/** The folder of the empty notebook that belongs to the tables as they are; it need not be there yet. */
export function templatePath() {
	const hash = createHash('sha256');
	const migrations = join(root, 'drizzle');
	for (const name of readdirSync(migrations)
		.filter((file) => file.endsWith('.sql'))
		.sort()) {
		hash.update(name).update(readFileSync(join(migrations, name)));
	}
	const pglite = join(root, 'node_modules', '@electric-sql', 'pglite', 'package.json');
	hash.update(JSON.parse(readFileSync(pglite, 'utf8')).version);
	return join(tmpdir(), `arc-step-empty-${hash.digest('hex').slice(0, 16)}`);
}

/** Begins a data folder as a copy of the empty notebook, where there is one. */
export function copyTemplate(folder) {
	const template = templatePath();
	if (existsSync(join(folder, 'pg')) || !existsSync(template)) return;
	try {
		mkdirSync(folder, { recursive: true });
		cpSync(template, folder, { recursive: true });
	} catch {
		// A folder that cannot be made is what a test is about.
	}
}
