import { expect, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, openAsBlob, readFileSync, writeFileSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { visit } from './helpers';
import { largeNotebook } from './large-notebook';
import { start, stop } from './server';

const folder = (name: string) => mkdtempSync(join(tmpdir(), `arc-step-${name}-`));

/** A backup of so many tunes and takes, in a file. */
async function backupFile(tunes: number, takes: number): Promise<string> {
	const file = join(folder('backup'), 'backup.json');
	await writeFile(file, largeNotebook(tunes, takes));
	return file;
}

/** `ARC_STEP_LARGE=1`: 2,000 tunes and 15,000 takes, with the answers of `/healthz` and the memory told. */
const LARGE = process.env.ARC_STEP_LARGE === '1';

test('a notebook of any size is backed up, restored and searched while others are served', async ({
	page
}) => {
	test.setTimeout(900_000);
	const [tunes, takes] = LARGE ? [2000, 15_000] : [260, 300];
	const file = await backupFile(tunes, takes);
	const server = await start(join(folder('large'), 'data'));
	const { url, process: child } = server;
	const memory = () =>
		Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'))?.[1]) / 1024;
	let [on, health, most, slowest] = [true, 0, 0, 0];
	const watch = (async () => {
		while (on) {
			const began = performance.now();
			const { status } = await fetch(`${url}/healthz`);
			expect(status).toBe(200);
			slowest = Math.max(slowest, performance.now() - began);
			most = Math.max(most, memory());
			health++;
			await new Promise((resolve) => setTimeout(resolve, 50));
		}
	})();
	const restore = async (path: string, type: string) => {
		const answer = await fetch(`${url}/api/v1/restore?mode=replace`, {
			method: 'POST',
			headers: { 'content-type': type },
			body: await openAsBlob(path)
		});
		expect(answer.status).toBe(200);
		return answer.json();
	};
	const asked = health;
	expect(await restore(file, 'application/json')).toMatchObject({
		stored: true,
		tunes: { added: tunes },
		takes: { added: takes }
	});
	// It was well all the time: health was told again and again while the restore went on.
	expect(health - asked).toBeGreaterThan(3);

	const packed = join(folder('packed'), 'backup.json.gz');
	const load = async (path: string) =>
		new Uint8Array(await (await fetch(url + path)).arrayBuffer());
	const whole = await load('/backup.json');
	writeFileSync(packed, await load('/backup.json.gz'));
	const before = JSON.parse(new TextDecoder().decode(whole));
	expect(before.takes).toHaveLength(takes);
	expect(await restore(packed, 'application/gzip')).toMatchObject({ takes: { added: 0 } });
	const after = JSON.parse(new TextDecoder().decode(await load('/backup.json')));
	expect({ ...after, exportedAt: '' }).toEqual({ ...before, exportedAt: '' });

	for (const page of ['/', '/log', '/?q=pier']) {
		const html = await load(page);
		expect(html.byteLength, page).toBeLessThan(300_000);
	}
	const { found } = await (await fetch(`${url}/api/v1/search?q=lean+back+77`)).json();
	const titles = (found as { title: string }[]).map(({ title }) => title);
	expect(titles).toContain('Evening 77 at pier 77');
	expect(titles).not.toContain('Evening 78 at pier 78');
	const shown = await (await fetch(`${url}/notebook.json`)).json();
	expect(shown.tunes).toHaveLength(tunes);
	// Its home draws some rows, more when they are asked for, and a set that is moved in is saved whole.
	await visit(page, `${url}/`);
	const rows = page.locator('tr[data-tune]');
	await expect(rows).toHaveCount(200);
	await page
		.getByRole('button', { name: /^Show more/ })
		.first()
		.click();
	await expect(rows).not.toHaveCount(200);
	const setOf = async () =>
		(await (await fetch(`${url}/api/v1/sets`)).json()).sets[0].tuneIds as string[];
	const order = await setOf();
	await expect(rows.first().locator('[data-part="grip"]')).toBeVisible();
	await rows.first().locator('a[data-part="open"]').focus();
	await page.keyboard.press('Alt+ArrowDown');
	await expect.poll(setOf).toEqual([order[1], order[0], ...order.slice(2)]);
	on = false;
	await watch;
	console.log(
		`${tunes} tunes, ${takes} takes: health told ${health} times, the slowest after ${slowest.toFixed(0)} ms; at most ${most.toFixed(0)} MB`
	);
	await stop(server);
});

/**
 * A command that runs another where `small` in its folder is a disk with the copy of `data` and so many free
 * megabytes beside it; null where none can be.
 */
function onSmallDisk(parent: string, free: number): string[] | null {
	const size = `size=$(($(du -sm data | cut -f1) + ${free}))m`;
	const script = `mkdir -p small && mount -t tmpfs -o ${size} tmpfs small && cp -a data small/data`;
	const within = (then: string) => [
		'-rm',
		'sh',
		'-c',
		`(cd ${parent} && ${script}) && ${then}`,
		'sh'
	];
	try {
		execFileSync('unshare', ['-rm', 'sh', '-c', 'mount -t tmpfs tmpfs /mnt'], { stdio: 'ignore' });
		return ['unshare', ...within('exec "$@"')];
	} catch {
		return null;
	}
}

for (const [told, room, guarded] of [
	['is refused before it does', 55, '50'],
	// Nothing guards this one: the disk is full in the middle of a write, and the database breaks.
	['is taken back after it did', 18, '0']
] as const) {
	test(`a restore that would fill the disk ${told}, and says so`, async () => {
		const parent = folder('small');
		const within = onSmallDisk(parent, room);
		test.skip(within === null, 'This machine lets nobody make a small disk.');
		const file = await backupFile(350, 2100);
		const env = { ARC_STEP_DATA: join(parent, 'small', 'data'), ARC_STEP_MIN_FREE_MB: guarded };
		const server = await start(join(parent, 'data'), env, within ?? []);
		const make = (chart: string) =>
			fetch(`${server.url}/api/v1/tunes`, {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify({ chart })
			});
		expect((await make('title: Kept\n\n| C |')).status).toBe(201);
		const refused = await fetch(`${server.url}/api/v1/restore?mode=merge`, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: await openAsBlob(file)
		});
		expect(refused.status).toBe(507);
		expect((await refused.json()).detail).toContain('nothing was saved');
		// What the restore had taken is free again.
		await expect.poll(async () => (await make('title: After\n\n| C |')).status).toBe(201);
		expect((await fetch(`${server.url}/healthz`)).status).toBe(200);
		const { tunes } = await (await fetch(`${server.url}/api/v1/tunes`)).json();
		expect(tunes.map(({ title }: { title: string }) => title).sort()).toEqual(['After', 'Kept']);
		await stop(server);
	});
}
