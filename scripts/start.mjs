// npm start: the built server without demo data.
import { ensureBuild, ensurePackages } from './lib.mjs';
import { serve } from './serve.mjs';

ensurePackages();
ensureBuild();
await serve();
