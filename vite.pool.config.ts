import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

/** Builds the worker of the server's thread pool as one plain file. */
export default defineConfig({
	resolve: { alias: { $core: fileURLToPath(new URL('src/core', import.meta.url)) } },
	// What draws pages finds its own files beside it.
	ssr: { noExternal: true, external: ['pdfkit', 'fontkit', '@coderline/alphatab'] },
	publicDir: false,
	build: {
		ssr: 'src/lib/server/compute.pool.ts',
		outDir: 'build/pool',
		emptyOutDir: true,
		rollupOptions: { output: { entryFileNames: 'compute.js' } }
	}
});
