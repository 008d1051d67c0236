// npm run test:e2e: browser tests against the built server with a fresh demo notebook.
import { ensureChromium } from './chromium.mjs';
import { bin, ensureBuild, ensurePackages, run } from './lib.mjs';
import { startPostgres } from './postgres.mjs';

ensurePackages();
ensureBuild();
ensureChromium();
const postgres = await startPostgres();
if (postgres) process.env.ARC_STEP_TEST_POSTGRES = postgres.url;
const { status } = run(bin('playwright'), ['test', ...process.argv.slice(2)], { tolerate: true });
await postgres?.stop();
process.exitCode = status ?? 1;
