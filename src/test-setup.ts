import { afterAll, vi } from 'vitest';

// Files of one worker share its globals: what one of them put there is gone before the next one begins.
afterAll(() => {
	vi.unstubAllGlobals();
	vi.unstubAllEnvs();
	vi.useRealTimers();
});
