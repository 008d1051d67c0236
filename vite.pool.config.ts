import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

/** Builds what the threads of the server run: a small file for what is short, a larger one for pages and files. */
export default defineConfig({
	resolve: { alias: { $core: fileURLToPath(new URL('src/core', import.meta.url)) } },
	// What draws pages finds its own files beside it.
	ssr: { noExternal: true, external: ['pdfkit', 'fontkit', '@coderline/alphatab'] },
	publicDir: false,
	build: {
		ssr: true,
		outDir: 'build/pool',
		emptyOutDir: true,
		rollupOptions: {
			input: {
				compute: 'src/lib/server/compute.pool.ts',
				pages: 'src/lib/server/pages.pool.ts'
			},
			output: { entryFileNames: '[name].js' }
		}
	}
});
