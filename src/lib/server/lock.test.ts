import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { FolderInUse, lockFolder } from './lock';

const scratch = mkdtempSync(join(tmpdir(), 'arc-step-lock-'));
afterAll(() => rmSync(scratch, { recursive: true, force: true }));
const folder = (name: string): string => {
	const path = join(scratch, name);
	mkdirSync(path, { recursive: true });
	return path;
};

describe('the lock of a data folder', () => {
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

	it('vanishes with a killed process', async () => {
		const real = folder('killed');
		const { dev, ino } = (await import('node:fs')).statSync(real, { bigint: true });
		const hash = (await import('node:crypto'))
			.createHash('sha256')
			.update(`${dev}:${ino}`)
			.digest('hex');
		const name = `arc-step-${hash.slice(0, 24)}`;
		if (process.platform !== 'linux') return;
		const script = `require('node:net').createServer().listen('\\0${name}', () => console.log('held'))`;
		const child = spawn(process.execPath, ['-e', script]);
		await new Promise((resolve) => child.stdout.once('data', resolve));
		await expect(lockFolder(real)).rejects.toBeInstanceOf(FolderInUse);
		const gone = new Promise((resolve) => child.once('exit', resolve));
		child.kill('SIGKILL');
		await gone;
		await (
			await lockFolder(real)
		)();
	});
});
