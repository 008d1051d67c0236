import * as fc from 'fast-check';

// The same cases for every mutant, and fewer than npm test tries, unless a test says how many.
fc.configureGlobal({ seed: 1, numRuns: 25 });
