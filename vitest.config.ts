import { sveltekit } from '@sveltejs/kit/vite';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));
/** Tests that put other modules in the place of the app's own: their modules are read anew. */
const ALONE = readdirSync(at('src'), { recursive: true, encoding: 'utf8' })
	.filter((file) => file.endsWith('.test.ts'))
	.map((file) => join('src', file))
	.filter((file) => readFileSync(at(file), 'utf8').includes('vi.mock('));
/** What computes and what stores, without the framework. */
const PLAIN = ['src/core/**/*.test.ts', 'src/lib/{api,audio,server,workers}/**/*.test.ts'];

export default defineConfig({
	test: {
		environment: 'node',
		// Some tests wait for files and databases: one more worker than a small machine has cores.
		maxWorkers: 3,
		// Five times and more what an idle machine needs: a busy one is no failure.
		testTimeout: 180_000,
		hookTimeout: 300_000,
		projects: [
			// The modules are read once for all files of a worker, and nothing in them is of the framework, which halves the time.
			{
				extends: true,
				resolve: { alias: { $core: at('src/core'), $lib: at('src/lib') } },
				test: {
					name: 'plain',
					include: PLAIN,
					exclude: ALONE,
					isolate: false,
					// Databases that live for seconds do without their second, better compilation.
					execArgv: ['--liftoff-only']
				}
			},
			{
				extends: true,
				plugins: [sveltekit()],
				test: {
					name: 'app',
					include: ['src/**/*.test.ts'],
					exclude: [...PLAIN, ...ALONE],
					isolate: false
				}
			},
			{ extends: true, plugins: [sveltekit()], test: { name: 'alone', include: ALONE } }
		]
	}
});
