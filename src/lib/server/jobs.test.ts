import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { EventEmitter } from 'node:events';
import type { IncomingMessage } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { Long, Workers, type Lane } from './jobs';
import { whileAsked } from './leaving';

const folder = mkdtempSync(join(tmpdir(), 'arc-step-jobs-'));
const file = join(folder, 'work.mjs');
writeFileSync(
	file,
	`export const echo = (value) => value;
	export const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
	export const never = () => { for (;;); };
	export const fail = () => { throw new RangeError('no such thing'); };
	export const hoard = () => { const all = []; for (;;) all.push(new Array(1e6).fill(all.length)); };`
);
const open: Workers[] = [];
const lane = (more: Partial<Lane> = {}): Workers => {
	const workers = new Workers({ file, threads: 1, waiting: 4, longestWaitMs: 60_000, ...more });
	open.push(workers);
	return workers;
};
afterEach(async () => {
	for (const workers of open.splice(0)) await workers.close();
});
// A thread that is being ended may still be reading it when the last test is over.
process.once('exit', () => rmSync(folder, { recursive: true, force: true }));

/** A request whose client can leave. */
function client() {
	const socket = Object.assign(new EventEmitter(), { destroyed: false });
	const message = { socket } as unknown as IncomingMessage;
	return { message, leave: () => socket.emit('close') };
}

describe('a lane of work', () => {
	it('does what it is given, and tells what failed', async () => {
		const workers = lane();
		expect(await workers.run('echo', { a: 1 }, 30_000)).toEqual({ a: 1 });
		await expect(workers.run('fail', null, 30_000)).rejects.toThrow('no such thing');
	});

	it('ends what takes too long, and goes on; waiting does not count', async () => {
		const workers = lane();
		const stuck = workers.run('never', null, 5000);
		// It begins when the one before it has ended, later than its own limit.
		const next = workers.run('sleep', 10, 4900);
		await expect(stuck).rejects.toBeInstanceOf(Long);
		await next;
	});

	it('refuses what is too much, and what could not begin soon', async () => {
		const workers = lane({ waiting: 2, longestWaitMs: 500 });
		const first = workers.run('sleep', 2500, 30_000);
		const waiting = [1, 2].map(() => workers.run('echo', 1, 30_000));
		const refused = await Promise.allSettled([workers.run('echo', 1, 30_000), ...waiting]);
		for (const one of refused) {
			expect(one).toMatchObject({ status: 'rejected', reason: { status: 503 } });
		}
		await first;
	});

	it('ends the work of a client who leaves, and forgets what waits for one', async () => {
		const workers = lane();
		const [one, other] = [client(), client()];
		const stuck = whileAsked(one.message, () => workers.run('never', null, 600_000));
		const waiting = whileAsked(other.message, () => workers.run('never', null, 600_000));
		const last = workers.run('echo', 'free', 30_000);
		other.leave();
		await expect(waiting).rejects.toThrow('The client has gone');
		one.leave();
		await expect(stuck).rejects.toThrow();
		expect(await last).toBe('free');
	});

	it('survives a job that wants more memory than it may have', async () => {
		const workers = lane();
		await expect(workers.run('hoard', null, 120_000)).rejects.toMatchObject({
			code: 'ERR_WORKER_OUT_OF_MEMORY'
		});
		expect(await workers.run('echo', 1, 30_000)).toBe(1);
	});

	it('tells of threads that cannot begin, and does not end with them', async () => {
		const said = vi.spyOn(console, 'error').mockReturnValue();
		const broken = join(folder, 'broken.mjs');
		writeFileSync(broken, `throw new Error('torn in the middle');`);
		lane({ file: broken });
		const told = () => said.mock.calls.flat().join();
		await vi.waitFor(() => expect(told()).toContain('torn in the middle'), 60_000);
		said.mockRestore();
	});

	it('ends at once when it is closed, whatever runs', async () => {
		const workers = lane();
		const all = [1, 2, 3].map(() => workers.run('never', null, 600_000));
		const ended = Promise.allSettled(all);
		await workers.close();
		for (const one of await ended) {
			expect(one).toMatchObject({ status: 'rejected', reason: { status: 503 } });
		}
	});
});
