import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { fetched } from './fetched';
import { serverWatch } from './server-watch.svelte';

const MISSING = new TypeError('Failed to fetch dynamically imported module');
const lost = vi.spyOn(serverWatch, 'lost').mockImplementation(() => undefined);
beforeEach(() => {
	vi.useFakeTimers();
	lost.mockClear();
});
afterEach(() => void vi.useRealTimers());

/** A part that does not come so many times. */
const late = (times: number) => {
	const load = vi.fn(() =>
		load.mock.calls.length > times ? Promise.resolve('part') : Promise.reject(MISSING)
	);
	return load;
};

it('gives a part that comes at once, and one that comes late', async () => {
	expect(await fetched(late(0))).toBe('part');
	const once = fetched(late(1));
	await vi.advanceTimersByTimeAsync(200);
	expect(await once).toBe('part');
	expect(lost).not.toHaveBeenCalled();
});

it('tells that the server is away while a part does not come, and waits longer', async () => {
	const load = late(4);
	const part = fetched(load);
	await vi.advanceTimersByTimeAsync(200 + 1000 + 2000 - 1);
	expect(load).toHaveBeenCalledTimes(3);
	expect(lost).toHaveBeenCalled();
	await vi.advanceTimersByTimeAsync(1 + 2000);
	expect(await part).toBe('part');
	expect(load).toHaveBeenCalledTimes(5);
});

it('does not ask again for a part that breaks by itself, nor for ever', async () => {
	const broken = vi.fn(() => Promise.reject(new RangeError('broken')));
	await expect(fetched(broken)).rejects.toThrow('broken');
	expect(broken).toHaveBeenCalledTimes(1);
	const never = fetched(late(Infinity));
	const told = expect(never).rejects.toBe(MISSING);
	await vi.advanceTimersByTimeAsync(3_600_000);
	await told;
});
