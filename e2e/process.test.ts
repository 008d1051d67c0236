import { expect, test } from '@playwright/test';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { start } from './server';

test('a killed server loses nothing that it acknowledged', async ({ request }) => {
	test.slow();
	const data = join(mkdtempSync(join(tmpdir(), 'arc-step-kill-')), 'notebook');
	const kept: string[] = [];
	for (let round = 0; round < 3; round++) {
		const server = await start(data);
		const { tunes } = await (await request.get(`${server.url}/api/v1/tunes`)).json();
		const there = new Set(tunes.map((tune: { title: string }) => tune.title));
		for (const title of kept) expect(there.has(title), `${title} after round ${round}`).toBe(true);
		const writes = Array.from({ length: 12 }, async (_, i) => {
			const title = `Round ${round}, tune ${i}`;
			const response = await request
				.post(`${server.url}/api/v1/tunes`, { data: { chart: `title: ${title}\n| C |` } })
				.catch(() => null);
			if (response?.status() === 201) kept.push(title);
			// Killed in the middle of the writes.
			if (i === 6 + round) server.process.kill('SIGKILL');
		});
		await Promise.all(writes);
		server.process.kill('SIGKILL');
		await server.exited;
	}
	expect(kept.length).toBeGreaterThan(3);
});

test('a second process on the folder is refused, and a clean stop frees it', async ({
	request
}) => {
	test.slow();
	const data = mkdtempSync(join(tmpdir(), 'arc-step-two-'));
	const first = await start(data);
	await expect(start(data)).rejects.toThrow(
		/^exit 1: The data folder .* is in use by another Arc Step process[^\n]*\n$/
	);
	expect((await request.get(`${first.url}/healthz`)).ok()).toBe(true);
	first.process.kill('SIGTERM');
	expect(await first.exited).toBe(0);
	const again = await start(data);
	again.process.kill('SIGINT');
	expect(await again.exited).toBe(0);
});
