import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The project's folder: the nearest one above this file that holds `drizzle`. */
export function projectRoot(): string {
	let folder = dirname(fileURLToPath(import.meta.url));
	while (!existsSync(join(folder, 'drizzle', 'meta'))) {
		const parent = dirname(folder);
		if (parent === folder) return process.cwd();
		folder = parent;
	}
	return folder;
}
