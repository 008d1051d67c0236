// npm run dev: the development server with the demo notebook in ./data.
import { bin, ensurePackages, root, run } from './lib.mjs';

ensurePackages();
const { buildFonts } = await import('./fonts.mjs');
await buildFonts(root);
const { buildSounds } = await import('./sounds.mjs');
buildSounds(root);
run(bin('vite'), ['build', '--config', 'vite.pool.config.ts', '--logLevel', 'warn']);
run(bin('vite'), ['dev', ...process.argv.slice(2)], {
	env: { ARC_STEP_DEMO: '1', ...process.env }
});
