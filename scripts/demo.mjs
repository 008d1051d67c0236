// npm run demo: the built server with the demo notebook, which is loaded where there is no tune yet.
import { ensureBuild, ensurePackages } from './lib.mjs';
import { serve } from './serve.mjs';

process.env.ARC_STEP_DEMO = '1';
ensurePackages();
ensureBuild();
await serve();
