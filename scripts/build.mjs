// Production build: symbol faces, the app, the planning worker of the server; then the stamp.
import { bin, ensurePackages, root, run, stampBuild } from './lib.mjs';

ensurePackages();
const { buildFonts } = await import('./fonts.mjs');
await buildFonts(root);
run(bin('vite'), ['build', '--logLevel', 'warn']);
run(bin('vite'), ['build', '--config', 'vite.pool.config.ts', '--logLevel', 'warn']);
stampBuild();
