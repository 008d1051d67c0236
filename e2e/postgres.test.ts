import { expect, test } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { startPostgres } from '../scripts/postgres.mjs';
import { start } from './server';

/** A PostgreSQL server that was started for the tests. */
const SERVER = process.env.ARC_STEP_TEST_POSTGRES ?? '';
test.skip(SERVER === '', 'no PostgreSQL is at hand');

/** A new database on it. */
async function database(): Promise<string> {
	const name = `shared_${randomUUID().replaceAll('-', '')}`;
	const client = new pg.Client({ connectionString: SERVER });
	await client.connect();
	await client.query(`create database ${name}`);
	await client.end();
	const url = new URL(SERVER);
	url.pathname = `/${name}`;
	return url.href;
}

test('several processes share one database, start together, and lose nothing', async ({
	request
}) => {
	test.slow();
	const passphrase = 'five grey herons';
	const env = {
		DATABASE_URL: await database(),
		ARC_STEP_DEMO: '1',
		ARC_STEP_PASSPHRASE: passphrase
	};
	// Both find an empty database: the tables are made once, the demo is loaded once.
	const [a, b] = await Promise.all([start('/nowhere', env), start('/nowhere', env)]);
	// A session that one of them opened is known to the other, and is over for both.
	const enter = async () => {
		const entered = await request.post(`${a.url}/api/v1/session`, { data: { passphrase } });
		expect(entered.status()).toBe(204);
		return { cookie: entered.headers()['set-cookie'].split(';')[0] };
	};
	const left = await enter();
	const statusAt = async (url: string, headers: { cookie: string }) =>
		(await request.get(`${url}/api/v1/tunes`, { headers })).status();
	expect(await statusAt(b.url, left)).toBe(200);
	expect((await request.delete(`${b.url}/api/v1/session`, { headers: left })).status()).toBe(204);
	expect(await statusAt(a.url, left)).toBe(401);

	const headers = await enter();
	const tunesAt = async (url: string) =>
		(await (await request.get(`${url}/api/v1/tunes`, { headers })).json()).tunes as {
			id: string;
		}[];
	expect(await tunesAt(a.url)).toHaveLength(8);
	expect(await tunesAt(b.url)).toEqual(await tunesAt(a.url));

	const made = await request.post(`${a.url}/api/v1/tunes`, {
		headers,
		data: { chart: 'title: Both\n| C |' }
	});
	const { id } = await made.json();
	expect((await request.get(`${b.url}/api/v1/tunes/${id}`, { headers })).status()).toBe(200);
	// Of writes that were made from the same version exactly one is taken, wherever they arrive.
	for (let version = 1; version <= 5; version++) {
		const answers = await Promise.all(
			[a, b, a, b, a, b].map(({ url }, i) =>
				request.put(`${url}/api/v1/tunes/${id}`, {
					headers,
					data: { chart: `title: Both ${version} ${i}\n| C |`, version }
				})
			)
		);
		const statuses = answers.map((answer) => answer.status()).sort();
		expect(statuses).toEqual([200, 409, 409, 409, 409, 409]);
	}
	// One is killed; the other goes on, and what was deleted there can be brought back here.
	expect((await request.delete(`${a.url}/api/v1/tunes/${id}`, { headers })).status()).toBe(204);
	a.process.kill('SIGKILL');
	await a.exited;
	const back = await request.post(`${b.url}/api/v1/tunes/${id}/undelete`, { headers });
	expect((await back.json()).version).toBe(6);
	const again = await start('/nowhere', env);
	expect(await tunesAt(again.url)).toHaveLength(9);
	for (const one of [b, again]) {
		one.process.kill('SIGTERM');
		expect(await one.exited).toBe(0);
	}
});

test('a database that goes away is told, and used again when it is back', async ({ request }) => {
	test.slow();
	const url = await database();
	const server = await start('/nowhere', { DATABASE_URL: url });
	const made = await request.post(`${server.url}/api/v1/tunes`, {
		data: { chart: 'title: Here\n| C |' }
	});
	expect(made.status()).toBe(201);
	const client = new pg.Client({ connectionString: SERVER });
	await client.connect();
	const name = new URL(url).pathname.slice(1);
	await client.query(`select pg_terminate_backend(pid) from pg_stat_activity where datname = $1`, [
		name
	]);
	await client.end();
	// The connections were cut: the process lives, and the next request finds new ones.
	await expect
		.poll(async () => (await request.get(`${server.url}/api/v1/tunes`)).status())
		.toBe(200);
	server.process.kill('SIGTERM');
	expect(await server.exited).toBe(0);
});

test('cut connections and restarts of the database are told, survived, and lose nothing', async () => {
	test.slow();
	const own = await startPostgres();
	test.skip(own === null, 'no PostgreSQL programs here');
	if (!own) return;
	const server = await start('/nowhere', { DATABASE_URL: own.url });
	const kept: string[] = [];
	let on = true;
	const statuses = new Set<number>();
	const write = async (who: number) => {
		for (let i = 0; on; i++) {
			const made = await fetch(`${server.url}/api/v1/sets`, {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify({ name: `Set ${who} ${i}`, note: '', tuneIds: [] })
			});
			statuses.add(made.status);
			const answer = await made.json();
			if (made.status === 201) kept.push(answer.id);
			else expect(answer.detail).toContain('does not answer');
		}
	};
	const writers = [1, 2, 3, 4].map(write);
	const more = () => expect.poll(() => kept.length, { timeout: 60_000 });
	for (let round = 0; round < 4; round++) {
		await more().toBeGreaterThan(kept.length + 5);
		if (round % 2 === 0) {
			const client = new pg.Client({ connectionString: own.url });
			await client.connect();
			await client.query(
				'select pg_terminate_backend(pid) from pg_stat_activity where pid <> pg_backend_pid() and datname is not null'
			);
			await client.end();
		} else await own.restart(round === 1 ? 'fast' : 'immediate');
	}
	await more().toBeGreaterThan(kept.length + 5);
	on = false;
	await Promise.all(writers);
	for (const status of statuses) expect([201, 503]).toContain(status);
	// More connections than the pool has: none of its places was lost.
	const all = await Promise.all(
		Array.from({ length: 30 }, () => fetch(`${server.url}/api/v1/sets`))
	);
	for (const one of all) expect(one.status).toBe(200);
	const { sets } = await all[0].json();
	const there = new Set((sets as { id: string }[]).map(({ id }) => id));
	expect(kept.filter((id) => !there.has(id))).toEqual([]);
	await own.stop();
	// While it is away the server says so, and stops cleanly all the same.
	const health = await fetch(`${server.url}/healthz`);
	expect(health.status).toBe(503);
	expect(health.headers.get('retry-after')).toMatch(/^\d+$/);
	server.process.kill('SIGTERM');
	expect(await server.exited).toBe(0);
});
