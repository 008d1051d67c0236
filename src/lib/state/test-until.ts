import { vi } from 'vitest';

/** Waits until something holds, a minute at most: a busy machine is no failure. */
export const until = (holds: () => void): Promise<void> => vi.waitFor(holds, { timeout: 60_000 });
