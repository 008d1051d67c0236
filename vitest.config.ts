import { sveltekit } from '@sveltejs/kit/vite';
import { defineConfig } from 'vitest/config';

/** What computes and what stores: no test there puts other modules in the place of the app's own. */
const PLAIN = ['src/core/**/*.test.ts', 'src/lib/{api,audio,server,workers}/**/*.test.ts'];

export default defineConfig({
	plugins: [sveltekit()],
	test: {
		environment: 'node',
		// Some tests wait for files and databases: one more worker than a small machine has cores.
		maxWorkers: 3,
		// Five times and more what an idle machine needs: a busy one is no failure.
		testTimeout: 180_000,
		hookTimeout: 300_000,
		projects: [
			// The modules are read once for all files of a worker, which halves the time.
			{ extends: true, test: { name: 'plain', include: PLAIN, isolate: false } },
			{ extends: true, test: { name: 'app', include: ['src/**/*.test.ts'], exclude: PLAIN } }
		]
	}
});
