import { defineConfig } from 'vite';

/** Builds the planning worker of the server's thread pool as one plain file. */
export default defineConfig({
	build: {
		ssr: 'src/lib/server/plan.pool.ts',
		outDir: 'build/pool',
		emptyOutDir: true,
		rollupOptions: { output: { entryFileNames: 'plan.js' } }
	}
});
