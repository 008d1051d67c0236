import { expect, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { createWriteStream, mkdtempSync, openAsBlob, readFileSync, renameSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { largeNotebook } from './large-notebook';
import { visit } from './helpers';
import { start, type Running } from './server';

const folder = (name: string) => join(mkdtempSync(join(tmpdir(), `arc-step-${name}-`)), 'data');
const post = (url: string, body: unknown, signal?: AbortSignal) =>
	fetch(url, {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify(body),
		signal
	});
const stop = async ({ process, exited }: Running) => {
	process.kill('SIGTERM');
	expect(await exited).toBe(0);
};

/** A legal plan that keeps a thread busy for long: every bar four chords, all bars played again and again. */
const GIANT = {
	chart: `key: Bb\n[A x31]\n|${' Bb7 Eb7 Cm7 F7 |'.repeat(64)}`,
	...{ position: 6, style: 'guide-tones', grid: 'sixteenth', alternatives: 5 }
};
const SMALL = {
	chart: '| Bb7 | Eb7 | Bb7 | F7 |',
	...{ position: 6, style: 'nearest', grid: 'eighth' }
};

test('text that is made to be slow is kept and found like any other', async ({ request }) => {
	for (const line of [
		`[${' '.repeat(60_000)}x`,
		`key: C${' '.repeat(60_000)}x`,
		`| ${'('.repeat(60_000)} |`,
		`| C |\n${'['.repeat(60_000)}`
	]) {
		const made = await request.post('/api/v1/tunes', { data: { chart: `${line}\n| Ebmaj7 |` } });
		expect(made.status()).toBe(201);
		const { id } = await made.json();
		expect((await request.get('/api/v1/search?q=Ebmaj7')).status()).toBe(200);
		expect((await request.delete(`/api/v1/tunes/${id}`)).status()).toBe(204);
	}
	for (const [name, text] of [
		['a.cho', `{${' '.repeat(60_000)}`],
		['a.txt', `e${' '.repeat(60_000)}`],
		['a.txt', `by:${' '.repeat(60_000)}x`]
	]) {
		const read = await request.post('/api/v1/import?preview=1', { data: { name, text } });
		expect([200, 422]).toContain(read.status());
	}
});

test('what nobody waits for any more holds nobody up', async () => {
	test.slow();
	const { url, ...server } = await start(folder('left'));
	const plan = async () => {
		const began = performance.now();
		const answer = await post(`${url}/api/v1/plan`, SMALL);
		expect(answer.status).toBe(200);
		await answer.json();
		return performance.now() - began;
	};
	const least = async (tries: number) => {
		const all = [];
		for (let i = 0; i < tries; i++) all.push(await plan());
		return Math.min(...all);
	};
	const idle = await least(10);
	const leave = new AbortController();
	const giants = [1, 2, 3, 4].map(() => post(`${url}/api/v1/plan`, GIANT, leave.signal));
	const left = Promise.allSettled(giants);
	// While they are being computed, small ones get through.
	await plan();
	leave.abort();
	await left;
	// A thread that is ended has to begin again; after that nothing is left of the giants.
	await expect.poll(async () => (await least(5)) / idle, { timeout: 60_000 }).toBeLessThan(3);
	await stop({ url, ...server });
});

test('too much at once is refused in words, and the rest is answered', async () => {
	test.slow();
	const { url, ...server } = await start(folder('much'));
	const leave = new AbortController();
	const chart = GIANT.chart;
	const all = Array.from({ length: 150 }, () =>
		post(`${url}/api/v1/plan`, { ...GIANT, chart }, leave.signal).catch(() => null)
	);
	const refused = await Promise.race(
		all.map(async (one) => {
			const answer = await one;
			return answer?.status === 503 ? answer : new Promise<never>(() => undefined);
		})
	);
	expect(refused.headers.get('retry-after')).toMatch(/^\d+$/);
	expect(refused.headers.get('content-type')).toBe('application/problem+json');
	expect(await refused.json()).toMatchObject({
		status: 503,
		detail: expect.stringContaining('too much to do')
	});
	// Whatever is computed, the server is well.
	expect((await fetch(`${url}/healthz`)).status).toBe(200);
	leave.abort();
	await Promise.all(all);
	await expect.poll(async () => (await post(`${url}/api/v1/plan`, SMALL)).status).toBe(200);
	await stop({ url, ...server });
});

test('a stop ends whatever is being computed', async () => {
	const server = await start(folder('stopped'));
	const giants = [1, 2, 3].map(() =>
		post(`${server.url}/api/v1/plan`, GIANT).then(
			({ status }) => status,
			() => 'cut'
		)
	);
	// Once they are on their way the server is asked to stop.
	expect((await fetch(`${server.url}/healthz`)).status).toBe(200);
	await stop(server);
	for (const end of await Promise.all(giants)) expect([503, 'cut']).toContain(end);
});

test('a body over its limit is refused after it was taken in, and the connection goes on', async () => {
	const server = await start(folder('body'));
	const { port, hostname } = new URL(server.url);
	const socket = connect(Number(port), hostname);
	let told = '';
	socket.setEncoding('utf8').on('data', (text: string) => (told += text));
	const size = 80 * 1024 * 1024;
	socket.write(
		`POST /api/v1/plan HTTP/1.1\r\nHost: ${hostname}\r\nContent-Type: application/json\r\nContent-Length: ${size}\r\n\r\n`
	);
	const part = Buffer.alloc(1024 * 1024, ' ');
	for (let sent = 0; sent < size; sent += part.length) {
		if (!socket.write(part)) await new Promise((resolve) => socket.once('drain', resolve));
	}
	socket.write(`GET /healthz HTTP/1.1\r\nHost: ${hostname}\r\nConnection: close\r\n\r\n`);
	await new Promise((resolve) => socket.once('close', resolve));
	expect(told).toContain('413');
	expect(told).toContain('more than 1 MiB');
	expect(told).toContain('"ok":true');
	await stop(server);
});

test('a data folder that is taken away is noticed', async () => {
	const data = folder('gone');
	const server = await start(data);
	expect((await fetch(`${server.url}/healthz`)).status).toBe(200);
	renameSync(data, `${data}-away`);
	const kept = await post(`${server.url}/api/v1/tunes`, { chart: '| C |' });
	expect(kept.status).toBe(503);
	expect((await kept.json()).detail).toContain('data folder');
	expect((await fetch(`${server.url}/healthz`)).status).toBe(503);
	renameSync(`${data}-away`, data);
	expect((await post(`${server.url}/api/v1/tunes`, { chart: '| C |' })).status).toBe(201);
	await stop(server);
});

test('what the database cannot keep is refused with its place', async ({ request }) => {
	const made = await request.post('/api/v1/tunes', { data: { chart: '| C | F |' } });
	const { id, version } = await made.json();
	const route = {
		...{ name: 'R', position: 5, style: 'roots' },
		...{ line: { cell: 'x-\u0000' }, anchors: { locks: [], letPass: [] } }
	};
	const cell = await request.post(`/api/v1/tunes/${id}/routes`, { data: route });
	expect(cell.status()).toBe(422);
	expect((await cell.json()).issues[0].path).toBe('line.cell');
	const scales = [{ bar: 1, beat: 1, pass: 1, tonic: 'C', name: 'ma\u0000jor' }];
	const scale = await request.post(`/api/v1/tunes/${id}/routes`, {
		data: { ...route, line: {}, anchors: { locks: [], letPass: [], scales } }
	});
	expect((await scale.json()).issues[0].path).toBe('anchors.scales.0.name');
	for (const wrong of [4_294_967_297, 2_147_483_648]) {
		const put = await request.put(`/api/v1/tunes/${id}`, {
			data: { chart: '| C |', version: wrong }
		});
		expect(put.status()).toBe(422);
	}
	const put = await request.put(`/api/v1/tunes/${id}`, { data: { chart: '| C |', version } });
	expect(put.status()).toBe(200);
});

/** Whether this machine lets processes have a network of their own. */
function ownNetwork(): string[] | null {
	for (const how of [['-n'], ['-rn']]) {
		try {
			execFileSync('unshare', [...how, 'true'], { stdio: 'ignore' });
			return ['unshare', ...how];
		} catch {
			// The next way, or none.
		}
	}
	return null;
}
/** How often the lock is tried: `ARC_STEP_LOCKS=20`. */
const LOCKS = Number(process.env.ARC_STEP_LOCKS ?? 2);

test('the folder is locked for processes in another network, too', async () => {
	test.slow();
	const inOther = ownNetwork();
	test.skip(inOther === null, 'no network namespaces here');
	const data = folder('network');
	for (let i = 0; i < LOCKS; i++) {
		const holder = await start(data, {}, i % 2 === 0 ? [] : (inOther ?? []));
		await expect(start(data, {}, i % 2 === 0 ? (inOther ?? []) : [])).rejects.toThrow(
			/^exit 1: The data folder .* is in use/
		);
		holder.process.kill(i % 2 === 0 ? 'SIGKILL' : 'SIGTERM');
		await holder.exited;
	}
	await stop(await start(data));
});

/** `ARC_STEP_LARGE=1`: 2,000 tunes and 15,000 takes, with the answers of `/healthz` and the memory told. */
const LARGE = process.env.ARC_STEP_LARGE === '1';

test('a notebook of any size is backed up, restored and searched while others are served', async ({
	page
}) => {
	test.setTimeout(900_000);
	const [tunes, takes] = LARGE ? [2000, 15_000] : [260, 300];
	const file = join(mkdtempSync(join(tmpdir(), 'arc-step-large-')), 'backup.json');
	const out = createWriteStream(file);
	for (const part of largeNotebook(tunes, takes)) {
		if (!out.write(part)) await new Promise((resolve) => out.once('drain', resolve));
	}
	await new Promise<void>((resolve) => out.end(resolve));
	const server = await start(folder('large'));
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

	const packed = join(mkdtempSync(join(tmpdir(), 'arc-step-packed-')), 'backup.json.gz');
	const load = async (path: string) =>
		new Uint8Array(await (await fetch(url + path)).arrayBuffer());
	const { writeFileSync } = await import('node:fs');
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
	await expect(rows.first().locator('.grip')).toBeVisible();
	await rows.first().locator('a.open').focus();
	await page.keyboard.press('Alt+ArrowDown');
	await expect.poll(setOf).toEqual([order[1], order[0], ...order.slice(2)]);
	on = false;
	await watch;
	console.log(
		`${tunes} tunes, ${takes} takes: health told ${health} times, the slowest after ${slowest.toFixed(0)} ms; at most ${most.toFixed(0)} MB`
	);
	await stop(server);
});
