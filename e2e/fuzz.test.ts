import { expect, test } from '@playwright/test';
import fc from 'fast-check';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { FERRY } from './helpers';

import { ODD, spoilt, valuesOf, type Operation } from './odd-values';
import { type Running, start } from './server';

/** Requests for each operation; more are sent where a longer look is wanted. */
const LONG = process.env.ARC_STEP_FUZZ !== undefined;
const RUNS = Number(process.env.ARC_STEP_FUZZ ?? 2);
const memory = (pid: number): number => {
	const status = readFileSync(`/proc/${pid}/status`, 'utf8');
	return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024;
};

let server: Running;
export let ids: string[] = [];
const post = async (path: string, data: unknown) => {
	const response = await fetch(server.url + path, {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify(data)
	});
	return (await response.json()) as { id: string };
};
test.beforeAll(async () => {
	server = await start(join(mkdtempSync(join(tmpdir(), 'arc-step-fuzz-')), 'notebook'));
	const tune = await post('/api/v1/tunes', { chart: FERRY });
	const route = await post(`/api/v1/tunes/${tune.id}/routes`, {
		...{ name: 'A', position: 6, style: 'guide-tones' },
		anchors: { locks: [], letPass: [] }
	});
	const set = await post('/api/v1/sets', { name: 'S', tuneIds: [tune.id] });
	ids = [tune.id, route.id, set.id, '6d6f7469-6600-4000-8000-000000000001', crypto.randomUUID()];
});
test.afterAll(async () => {
	server.process.kill('SIGTERM');
	await server.exited;
});

/** Sends a request and sees that it is answered, by what it is or why it is refused. */
async function answered(path: string, init: RequestInit & { shown?: string }): Promise<void> {
	const response = await fetch(server.url + path, { redirect: 'manual', ...init });
	const text = await response.text();
	const told = `${init.method} ${path.slice(0, 200)} ${(init.shown ?? '').slice(0, 1500)}`;
	expect(response.status, `${told}\n${text.slice(0, 300)}`).toBeLessThan(500);
	if (response.status >= 400 && path.startsWith('/api/') && init.method !== 'HEAD') {
		expect(response.headers.get('content-type'), told).toContain('problem+json');
		const { status, detail } = JSON.parse(text) as { status: number; detail: string };
		expect(status, told).toBe(response.status);
		expect(detail.length, told).toBeGreaterThan(0);
	}
}

const ID = fc.oneof(
	{ weight: 4, arbitrary: fc.constantFrom(0, 1, 2, 3, 4).map((i) => ids[i]) },
	fc.constantFrom('x', '..%2f..%2fetc%2fpasswd', '%00', '%F0%9F%8E%B8', 'null', 'a'.repeat(3000)),
	fc
		.string({ minLength: 1, maxLength: 20 })
		.map((text) => encodeURIComponent(text.replace(/^\.+$/, 'x')))
);
const QUERY = fc.oneof(
	fc.string({ unit: 'binary', maxLength: 30 }),
	fc.constantFrom('', '1', 'merge', 'Cm7 F7', '\0', "' or 1=1", 'x'.repeat(5000))
);

test('no request breaks an operation of the API', async () => {
	test.setTimeout(60_000 + 120_000 * (RUNS / 5));
	const document = (await (await fetch(`${server.url}/api/v1/openapi.json`)).json()) as {
		paths: Record<string, Record<string, Operation>>;
	};
	const operations = Object.entries(document.paths).flatMap(([path, methods]) =>
		Object.entries(methods).map(([method, operation]) => ({ path, method, operation }))
	);
	expect(operations.length).toBeGreaterThan(50);
	const round = async (seed: number) => {
		for (const { path, method, operation } of operations) {
			const schema = operation.requestBody?.content['application/json']?.schema;
			const queries = (operation.parameters ?? []).filter((one) => one.in === 'query');
			await fc.assert(
				fc.asyncProperty(
					ID,
					fc.array(fc.tuple(fc.constantFrom(...queries.map(({ name }) => name), 'other'), QUERY), {
						maxLength: 3
					}),
					schema ? valuesOf(schema, ids) : fc.constant(undefined),
					fc.tuple(fc.constantFrom(0, 0, 1, 1, 2, 3), fc.array(fc.nat(9), { maxLength: 5 }), ODD),
					fc.constantFrom('json', 'json', 'json', 'json', 'cut', 'bytes', 'text', 'form', 'none'),
					fc.uint8Array({ maxLength: 400 }),
					async (id, query, value, change, kind, bytes) => {
						const at = path.replace('{id}', id).replace('{name}', id);
						const search = new URLSearchParams(query.map(([key, text]) => [key, text]));
						const json = JSON.stringify(spoilt(value, change)) ?? '';
						const bodies: Record<string, [BodyInit | undefined, string | undefined]> = {
							json: [json, 'application/json'],
							cut: [json.slice(0, json.length >> 1), 'application/json'],
							bytes: [bytes, 'application/json; charset=latin1'],
							text: [json, 'text/plain'],
							form: [bytes, 'multipart/form-data; boundary=x'],
							none: [undefined, undefined]
						};
						const [body, type] = bodies[kind];
						await answered(`${at}?${search}`, {
							method: method.toUpperCase(),
							...(method === 'get' ? {} : { body, headers: type ? { 'content-type': type } : {} }),
							shown: `${kind} ${json}`
						});
					}
				),
				{ numRuns: RUNS, seed, endOnFailure: true, verbose: 0 }
			);
		}
		expect((await fetch(`${server.url}/healthz`)).status).toBe(200);
	};
	await round(1);
	const before = memory(server.process.pid ?? 0);
	await round(2);
	if (LONG) await round(1);
	const grown = memory(server.process.pid ?? 0) - before;
	console.log(`memory ${Math.round(before)} MB, grown by ${Math.round(grown)} MB`);
	expect(grown).toBeLessThan(150);
});

test('no address and no method breaks a page', async () => {
	test.setTimeout(60_000 + 60_000 * (RUNS / 5));
	const screens = [
		'chart',
		'neck',
		'route',
		'phrase',
		'drill',
		'sheet',
		'chart.txt',
		'chart.cho',
		'chart.json',
		'sheet.pdf',
		'nothing'
	];
	const paths = fc.oneof(
		fc.tuple(ID, fc.constantFrom(...screens)).map(([id, screen]) => `/tunes/${id}/${screen}`),
		fc
			.tuple(ID, fc.constantFrom('musicxml', 'mxl', 'mid', 'pdf', 'txt', 'json', 'exe'))
			.map(([id, ending]) => `/routes/${id}/route.${ending}`),
		ID.map((id) => `/sets/${id}`),
		fc.constantFrom('/', '/log', '/settings', '/help', '/login', '/backup.json', '/api/v1/nothing')
	);
	const names = fc.constantFrom(
		'q',
		'position',
		'route',
		'place',
		'key',
		'tune',
		'sort',
		'skip',
		'paper',
		'large',
		'to',
		'stand',
		'takes'
	);
	await fc.assert(
		fc.asyncProperty(
			paths,
			fc.array(fc.tuple(names, QUERY), { maxLength: 3 }),
			fc.constantFrom('GET', 'GET', 'GET', 'HEAD', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS'),
			async (path, query, method) => {
				const search = new URLSearchParams(query.map(([key, text]) => [key, text]));
				await answered(`${path}?${search}`, { method });
			}
		),
		{ numRuns: 12 * RUNS, seed: 7, endOnFailure: true, verbose: 0 }
	);
	expect((await fetch(`${server.url}/healthz`)).status).toBe(200);
});
