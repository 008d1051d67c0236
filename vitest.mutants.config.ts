import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));

/** The core's tests for themselves, as the mutants are tried on them. */
export default defineConfig({
	resolve: { alias: { $core: at('src/core') } },
	test: { environment: 'node', include: ['src/core/**/*.test.ts'], testTimeout: 60_000 }
});
