// npm run bench: speed against floors, one line a row: name | measured ratio | limit | ok or over.
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureBuild, ensurePackages, root } from './lib.mjs';

ensurePackages();
ensureBuild();
const { build } = await import('vite');
await build({
	configFile: false,
	root,
	logLevel: 'error',
	publicDir: false,
	resolve: { alias: { $core: join(root, 'src', 'core') } },
	build: {
		ssr: 'bench/main.ts',
		outDir: 'build/bench',
		emptyOutDir: true,
		rollupOptions: { output: { entryFileNames: 'main.js' } }
	}
});
const { main } = await import(pathToFileURL(join(root, 'build', 'bench', 'main.js')).href);
const over = await main(root);
process.exit(over > 0 ? 1 : 0);
