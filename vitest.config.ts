import { svelte } from '@sveltejs/vite-plugin-svelte';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));
/** Tests that put other modules in the place of the app's own, or other numbers into them: they read theirs anew. */
const ALONE = readdirSync(at('src'), { recursive: true, encoding: 'utf8' })
	.filter((file) => file.endsWith('.test.ts'))
	.map((file) => join('src', file))
	.filter((file) => /vi\.(mock|resetModules)\(/.test(readFileSync(at(file), 'utf8')));
/** All but the framework's own plugin, of which no test needs a thing. */
const shared = {
	extends: true as const,
	plugins: [svelte()],
	resolve: {
		alias: {
			$core: at('src/core'),
			$lib: at('src/lib'),
			'$app/environment': at('src/lib/state/test-environment.ts')
		}
	},
	test: {
		include: ['src/**/*.test.ts'],
		setupFiles: [at('src/test-setup.ts')],
		// Databases that live for seconds do without their second, better compilation.
		execArgv: ['--liftoff-only']
	}
};

export default defineConfig({
	test: {
		environment: 'node',
		// Some tests wait for files and databases: one more worker than a small machine has cores.
		maxWorkers: 3,
		// Five times and more what an idle machine needs: a busy one is no failure.
		testTimeout: 180_000,
		hookTimeout: 300_000,
		projects: [
			// The modules are read once for all files of a worker, which halves the time.
			{ ...shared, test: { ...shared.test, name: 'shared', exclude: ALONE, isolate: false } },
			{ ...shared, test: { ...shared.test, name: 'alone', include: ALONE } }
		]
	}
});
