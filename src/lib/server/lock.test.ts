import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { LONG } from '$core/test-runs';
import { FolderInUse, lockFolder } from './lock';

const ROUNDS = LONG ? 25 : 10;
const scratch = mkdtempSync(join(tmpdir(), 'arc-step-lock-'));
afterAll(() => rmSync(scratch, { recursive: true, force: true }));
const folder = (name: string): string => {
	const path = join(scratch, name);
	mkdirSync(path, { recursive: true });
	return path;
};

/** A process that holds the lock of a folder until it is killed. */
async function holder(path: string): Promise<() => Promise<void>> {
	const script = `const [net, fs] = [require('node:net'), require('node:fs')];
		process.chdir(${JSON.stringify(path)});
		const last = Math.max(0, ...fs.readdirSync('.').map((name) => Number(/^lock\\.(\\d+)$/.exec(name)?.[1] ?? 0)));
		net.createServer().listen('lock-child', () => {
			fs.linkSync('lock-child', 'lock.' + (last + 1));
			fs.unlinkSync('lock-child');
			console.log('held');
		});`;
	const child = spawn(process.execPath, ['-e', script]);
	await new Promise((resolve) => child.stdout.once('data', resolve));
	return () =>
		new Promise((resolve) => {
			child.once('exit', () => resolve());
			child.kill('SIGKILL');
		});
}

describe.skipIf(process.platform === 'win32')('the lock of a data folder', () => {
	it('is exclusive, by whatever path, and can be given back', async () => {
		const real = folder('locked');
		const other = join(scratch, 'alias');
		symlinkSync(real, other);
		const unlock = await lockFolder(real);
		await expect(lockFolder(real)).rejects.toBeInstanceOf(FolderInUse);
		await expect(lockFolder(other)).rejects.toThrow(/in use by another Arc Step process/);
		const elsewhere = await lockFolder(folder('free'));
		await elsewhere();
		await unlock();
		await (
			await lockFolder(real)
		)();
	});

	it('is dead with a killed process, and is taken over again and again', async () => {
		const real = folder('killed');
		for (let i = 0; i < 3; i++) {
			const kill = await holder(real);
			await expect(lockFolder(real)).rejects.toBeInstanceOf(FolderInUse);
			await kill();
			await (
				await lockFolder(real)
			)();
		}
		// Old names do not pile up.
		expect(readdirSync(real)).toHaveLength(1);
	});

	it('is had by exactly one of many who come at once, also after a kill', async () => {
		const real = folder('raced');
		for (let round = 0; round < ROUNDS; round++) {
			if (round % 5 === 4) await (await holder(real))();
			const tries = await Promise.allSettled(Array.from({ length: 12 }, () => lockFolder(real)));
			const had = tries.filter((one) => one.status === 'fulfilled');
			expect(had).toHaveLength(1);
			for (const one of tries) {
				if (one.status === 'rejected') expect(one.reason).toBeInstanceOf(FolderInUse);
			}
			await had[0].value();
		}
	});

	it('holds in a folder whose name is longer than the address of a socket may be', async () => {
		const deep = folder(Array.from({ length: 8 }, () => 'a-rather-long-name').join('/'));
		const unlock = await lockFolder(deep);
		await expect(lockFolder(deep)).rejects.toBeInstanceOf(FolderInUse);
		await unlock();
	});
});
