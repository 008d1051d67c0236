// npm run test:e2e: browser tests against the built server with a fresh demo notebook.
import { ensureChromium } from './chromium.mjs';
import { bin, ensureBuild, ensurePackages, run } from './lib.mjs';

ensurePackages();
ensureBuild();
ensureChromium();
run(bin('playwright'), ['test', ...process.argv.slice(2)]);
