import type { Result } from './kernel';

/** The value of a result; a test that has none fails with what is wrong. */
export function must<T>(result: Result<T, unknown>): T {
	if ('error' in result) throw new Error(JSON.stringify(result.error));
	return result.value;
}
