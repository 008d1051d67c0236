// Production build: symbol faces, the band's sounds, the app, the planning worker of the server; then the stamp.
import { bin, ensurePackages, root, run, stampBuild } from './lib.mjs';

ensurePackages();
const { buildFonts } = await import('./fonts.mjs');
await buildFonts(root);
const { buildSounds } = await import('./sounds.mjs');
buildSounds(root);
run(bin('vite'), ['build', '--logLevel', 'warn']);
run(bin('vite'), ['build', '--config', 'vite.pool.config.ts', '--logLevel', 'warn']);
stampBuild();
