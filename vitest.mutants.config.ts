import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));
/** A folder's code is tried on the tests of that folder. */
const folder = process.env.ARC_MUTANTS ?? '';

/** The core's tests for themselves, as mutants are tried on them; a changed loop may be slow, so they have time. */
export default defineConfig({
	resolve: { alias: { $core: at('src/core') } },
	test: {
		environment: 'node',
		include: [`src/core/${folder}/**/*.test.ts`],
		setupFiles: ['scripts/mutants-setup.ts'],
		testTimeout: 900_000
	}
});
