import { expect, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, renameSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { start, stop, type Running } from './server';

const folder = (name: string) => join(mkdtempSync(join(tmpdir(), `arc-step-${name}-`)), 'data');
const post = (url: string, body: unknown, signal?: AbortSignal) =>
	fetch(url, {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify(body),
		signal
	});

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

test.describe('a server that is asked too much', () => {
	// One after another, in one worker: they share a server.
	test.describe.configure({ mode: 'serial' });
	const data = folder('asked');
	let server: Running;
	let url: string;
	test.beforeAll(async () => {
		// As many files as most systems let a program open.
		server = await start(data, {}, ['bash', '-c', 'ulimit -n 1024; exec "$0" "$@"']);
		({ url } = server);
	});

	test('what nobody waits for any more holds nobody up', async () => {
		test.slow();
		/** Hundredths of a second of a processor that the server has used, by the kernel's own count. */
		const used = () => {
			const { pid } = server.process;
			const stat = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]?.split(' ') ?? [];
			return Number(stat[11]) + Number(stat[12]);
		};
		let last = used();
		/** Whether it computes: a thread at work uses far more of a second than one that waits. */
		const busy = async () => {
			const before = last;
			last = used();
			return last - before > 10;
		};
		const each = { intervals: [1000], timeout: 120_000 };
		await expect.poll(busy, each).toBe(false);
		const leave = new AbortController();
		const giants = [1, 2].map(() => post(`${url}/api/v1/plan`, GIANT, leave.signal));
		const left = Promise.allSettled(giants);
		// While they are being computed, small ones get through.
		await expect.poll(busy, each).toBe(true);
		expect((await post(`${url}/api/v1/plan`, SMALL)).status).toBe(200);
		leave.abort();
		await left;
		// After that nothing is left of the giants, which would go on for more than half a minute.
		await expect.poll(busy, { ...each, timeout: 25_000 }).toBe(false);
		expect((await post(`${url}/api/v1/plan`, SMALL)).status).toBe(200);
	});

	test('too much at once is refused in words, and the rest is answered', async () => {
		test.slow();
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
	});

	test('a body over its limit is refused after it was taken in, and the connection goes on', async () => {
		const { port, hostname } = new URL(url);
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
	});

	test('more connections than files can be opened harm nothing', async () => {
		const { port, hostname } = new URL(url);
		const [file] = /_app\/immutable\/[^"]+\.js/.exec(await (await fetch(url)).text()) ?? [];
		let told = 0;
		const asked = [file, 'backup.json', 'log', file];
		const sockets = Array.from({ length: 1500 }, (_, i) => {
			const socket = connect(Number(port), hostname).on('error', () => null);
			socket.once('data', () => told++);
			socket.write(`GET /${asked[i % 4]} HTTP/1.1\r\nHost: ${hostname}\r\n\r\n`);
			return socket;
		});
		const gone = () => sockets.filter(({ closed }) => closed).length;
		// Those that are taken are answered, the others hung up on.
		await expect
			.poll(() => [told > 100, gone() > 500, told + gone() >= 1500])
			.toEqual([true, true, true]);
		for (const socket of sockets) socket.destroy();
		await expect.poll(async () => (await fetch(`${url}/${file}`)).status).toBe(200);
		for (const path of ['healthz', 'backup.json', 'log', 'settings', 'api/v1/tunes']) {
			expect((await fetch(`${url}/${path}`)).status, path).toBe(200);
		}
	});

	test('a data folder that is taken away is noticed', async () => {
		expect((await fetch(`${url}/healthz`)).status).toBe(200);
		renameSync(data, `${data}-away`);
		const kept = await post(`${url}/api/v1/tunes`, { chart: '| C |' });
		expect(kept.status).toBe(503);
		expect((await kept.json()).detail).toContain('data folder');
		expect((await fetch(`${url}/healthz`)).status).toBe(503);
		renameSync(`${data}-away`, data);
		expect((await post(`${url}/api/v1/tunes`, { chart: '| C |' })).status).toBe(201);
	});

	test('a stop ends whatever is being computed', async () => {
		const giants = [1, 2, 3].map(() =>
			post(`${url}/api/v1/plan`, GIANT).then(
				({ status }) => status,
				() => 'cut'
			)
		);
		// Once they are on their way the server is asked to stop.
		expect((await fetch(`${url}/healthz`)).status).toBe(200);
		await stop(server);
		for (const end of await Promise.all(giants)) expect([503, 'cut']).toContain(end);
	});
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
