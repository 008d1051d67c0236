import { sveltekit } from '@sveltejs/kit/vite';
import { defineConfig } from 'vitest/config';

export default defineConfig({
	plugins: [sveltekit()],
	// Some tests wait for files and databases: one more worker than a small machine has cores.
	test: {
		maxWorkers: 3,
		include: ['src/**/*.test.ts'],
		environment: 'node',
		// Five times and more what an idle machine needs: a busy one is no failure.
		testTimeout: 180_000,
		hookTimeout: 300_000
	}
});
