import { expect, test } from '@playwright/test';
import { FERRY, newTune } from './helpers';

const plan = { chart: FERRY, position: 6, style: 'guide-tones', grid: 'targets' };

test('analyze spells the chart', async ({ request }) => {
	const response = await request.post('/api/v1/analyze', { data: { chart: FERRY } });
	expect(response.status()).toBe(200);
	const answer = await response.json();
	expect(answer.key).toEqual({ tonic: 'Bb', mode: 'blues' });
	expect(answer.scale).toEqual({
		tonic: 'Bb',
		name: 'minor pentatonic',
		notes: ['Bb', 'Db', 'Eb', 'F', 'Ab']
	});
	expect(answer.bars).toHaveLength(12);
	expect(answer.chords).toHaveLength(14);
	expect(answer.chords[5]).toMatchObject({
		symbol: 'Edim7',
		root: 'E',
		bar: 6,
		beat: 1,
		startTick: 9600,
		inKey: false,
		outside: ['E']
	});
	expect(answer.chords[5].tones.map((tone: { name: string }) => tone.name)).toEqual([
		'E',
		'G',
		'Bb',
		'Db'
	]);
	expect(answer.changes).toHaveLength(13);
	expect(answer.changes[2]).toMatchObject({ fromChord: 1, toChord: 2, common: ['Bb'] });
	expect(answer.diagnostics).toEqual([]);
});

test('an unreadable symbol is a diagnostic, nothing readable a 422', async ({ request }) => {
	const some = await request.post('/api/v1/analyze', { data: { chart: '| C | G7atl |' } });
	expect(some.status()).toBe(200);
	const answer = await some.json();
	expect(answer.chords[1].tones).toEqual([]);
	expect(answer.diagnostics).toEqual([
		{
			severity: 'error',
			line: 1,
			column: 7,
			length: 5,
			message: '“G7atl” is not a chord I can read.',
			suggestion: 'G7alt'
		}
	]);
	const none = await request.post('/api/v1/analyze', { data: { chart: '| xyz |' } });
	expect(none.status()).toBe(422);
	expect((await none.json()).issues[0]).toMatchObject({ line: 1, column: 3 });
});

test('a plan has one target per change and explains itself', async ({ request }) => {
	const response = await request.post('/api/v1/plan', { data: plan });
	expect(response.status()).toBe(200);
	const { plans } = await response.json();
	expect(plans[0].targets).toHaveLength(13);
	expect(plans[0].notes.every((note: { kind: string }) => note.kind === 'target')).toBe(true);
	expect(plans[0].targets[1].reasons[0]).toBe(
		'D falls a semitone to Db, the seventh of Eb7, same string, next fret.'
	);
	const best = await request.post('/api/v1/plan', { data: { ...plan, position: 'best' } });
	expect((await best.json()).plans[0].cost).toBeLessThanOrEqual(plans[0].cost);
});

test('bad input is told what, where and why', async ({ request }) => {
	const cases: [string, string, number, RegExp][] = [
		['/api/v1/plan', '{', 400, /not JSON/],
		['/api/v1/plan', '[]', 422, /expected object/],
		[
			'/api/v1/judge',
			JSON.stringify({ chart: '| C | F |', tempo: 60, events: [], rules: { restBars: [3] } }),
			422,
			/no bar 3/
		],
		['/api/v1/plan', JSON.stringify({ ...plan, extra: 1 }), 422, /Unknown field: extra/],
		['/api/v1/plan', JSON.stringify({ ...plan, position: 99 }), 422, /1 to 19/],
		[
			'/api/v1/plan',
			JSON.stringify({ ...plan, locks: [{ change: 0, string: 1, fret: 7 }] }),
			422,
			/Bar 1 \(Bb7\).*not a tone of Bb7/
		],
		[
			'/api/v1/plan',
			JSON.stringify({ ...plan, locks: [{ change: 0, string: 1, fret: 1 }] }),
			422,
			/outside position 6/
		],
		[
			'/api/v1/plan',
			JSON.stringify({ ...plan, locks: [{ change: 77, string: 1, fret: 6 }] }),
			422,
			/no change 77/
		],
		[
			'/api/v1/plan',
			JSON.stringify({ ...plan, scale: { tonic: 'C', name: 'nonsense' } }),
			422,
			/no scale/
		],
		['/api/v1/plan', JSON.stringify({ ...plan, instrument: { tuning: 'X' } }), 422, /not a tuning/],
		[
			'/api/v1/analyze',
			JSON.stringify({ chart: `| ${'C | '.repeat(600)}` }),
			422,
			/at most 512 written bars/
		],
		[
			'/api/v1/analyze',
			JSON.stringify({ chart: `[A x64]\n| ${'C | '.repeat(64)}` }),
			422,
			/at most 2048 bars/
		],
		['/api/v1/analyze', JSON.stringify({ chart: `| C |//${'x'.repeat(70_000)}` }), 422, /64 KiB/],
		['/api/v1/tunes', JSON.stringify({ chart: 'x'.repeat(70_000) }), 422, /at most 64 KiB/],
		['/api/v1/tunes', JSON.stringify({ chart: 'x'.repeat(1_100_000) }), 413, /1 MiB/]
	];
	for (const [path, data, status, words] of cases) {
		const response = await request.post(path, {
			data: Buffer.from(data),
			headers: { 'content-type': 'application/json' }
		});
		const told = `${path} ${data.slice(0, 60)}`;
		expect(response.status(), told).toBe(status);
		expect(response.headers()['content-type'], told).toBe('application/problem+json');
		const body = await response.json();
		expect(body, told).toMatchObject({ status, type: 'about:blank' });
		expect(JSON.stringify(body), told).toMatch(words);
		if (status === 422) expect(body.issues.length, told).toBeGreaterThan(0);
	}
	expect(
		(
			await request.post('/api/v1/plan', { data: 'x', headers: { 'content-type': 'text/plain' } })
		).status()
	).toBe(415);
	const nul = await request.post('/api/v1/tunes', { data: { chart: 'a\u0000b' } });
	expect(nul.status()).toBe(422);
	expect(JSON.stringify(await nul.json())).toContain('NUL');
	expect((await request.patch('/api/v1/plan')).status()).toBe(405);
	expect((await request.get('/api/v1/nothing')).status()).toBe(404);
	expect((await request.get('/api/v1/tunes/nothing')).status()).toBe(404);
	const foreign = await request.post('/api/v1/tunes', {
		data: { chart: 'x' },
		headers: { origin: 'http://elsewhere.test' }
	});
	expect(foreign.status()).toBe(403);
	const byName = await request.post('/api/v1/analyze', {
		data: { chart: '| C |' },
		headers: { host: 'localhost:9', origin: 'http://localhost:9' }
	});
	expect(byName.status()).toBe(200);
});

test('tunes and routes carry versions', async ({ request }) => {
	const tune = await newTune(request);
	const saved = await request.put(`/api/v1/tunes/${tune.id}`, {
		data: { chart: '| C | F |', version: 1 }
	});
	expect(await saved.json()).toMatchObject({ version: 2, chart: '| C | F |' });
	const stale = await request.put(`/api/v1/tunes/${tune.id}`, {
		data: { chart: '| G |', version: 1 }
	});
	expect(stale.status()).toBe(409);
	expect((await stale.json()).current).toMatchObject({ version: 2, chart: '| C | F |' });
	const wishes = { name: 'A', position: 5, style: 'roots', anchors: { locks: [], letPass: [] } };
	const created = await request.post(`/api/v1/tunes/${tune.id}/routes`, { data: wishes });
	expect(created.status()).toBe(201);
	const route = await created.json();
	expect(route.plan.targets.map((target: { role: string }) => target.role)).toEqual(['R', 'R']);
	expect(route.tuneVersion).toBe(2);
	const moved = await request.put(`/api/v1/routes/${route.id}`, {
		data: { ...wishes, position: 7, version: 1 }
	});
	expect(await moved.json()).toMatchObject({ position: 7, version: 2 });
	expect(
		(await request.put(`/api/v1/routes/${route.id}`, { data: { ...wishes, version: 1 } })).status()
	).toBe(409);
	const lock = { bar: 1, beat: 1, pass: 1, string: 1, fret: 6 };
	const bad = await request.put(`/api/v1/routes/${route.id}`, {
		data: { ...wishes, anchors: { locks: [lock], letPass: [] }, version: 2 }
	});
	// A lock that the hand does not reach there waits: the route is kept as it is.
	expect(bad.status()).toBe(200);
	expect((await (await request.get(`/api/v1/tunes/${tune.id}/routes`)).json()).routes).toHaveLength(
		1
	);
	expect((await request.delete(`/api/v1/routes/${route.id}`)).status()).toBe(204);
	expect((await request.get(`/api/v1/routes/${route.id}`)).status()).toBe(404);
	expect((await request.delete(`/api/v1/tunes/${tune.id}`)).status()).toBe(204);
	expect((await request.get(`/api/v1/tunes/${tune.id}`)).status()).toBe(404);
	expect((await request.post(`/api/v1/tunes/${tune.id}/undelete`)).status()).toBe(200);
});

test('the server is well while a large plan runs', async ({ request }) => {
	const chart = `key: Bb\n[A x4]\n${`| ${'Cm7 F7 Bb7 Eb7 | Am7b5 D7alt Gm6 G7 | '.repeat(4)}\n`.repeat(20)}`;
	const large = request.post('/api/v1/plan', {
		data: { ...plan, chart, style: 'nearest', position: 'best' }
	});
	const health = request.get('/healthz');
	expect(await Promise.race([large.then(() => 'plan'), health.then(() => 'health')])).toBe(
		'health'
	);
	expect(await (await health).json()).toMatchObject({ ok: true });
	expect((await large).status()).toBe(200);
});

test('the OpenAPI document names every operation', async ({ request }) => {
	const document = await (await request.get('/api/v1/openapi.json')).json();
	expect(document.openapi).toBe('3.1.0');
	expect(Object.keys(document.paths).sort()).toEqual([
		'/api/v1/analyze',
		'/api/v1/cards',
		'/api/v1/cards/{id}',
		'/api/v1/check',
		'/api/v1/coverage',
		'/api/v1/import',
		'/api/v1/instruments',
		'/api/v1/instruments/{id}',
		'/api/v1/instruments/{id}/undelete',
		'/api/v1/judge',
		'/api/v1/motifs',
		'/api/v1/motifs/{id}',
		'/api/v1/motifs/{id}/undelete',
		'/api/v1/openapi.json',
		'/api/v1/phrase',
		'/api/v1/plan',
		'/api/v1/player',
		'/api/v1/positions',
		'/api/v1/restore',
		'/api/v1/routes/{id}',
		'/api/v1/routes/{id}/undelete',
		'/api/v1/schemas/{name}',
		'/api/v1/search',
		'/api/v1/session',
		'/api/v1/sets',
		'/api/v1/sets/{id}',
		'/api/v1/sets/{id}/undelete',
		'/api/v1/shapes',
		'/api/v1/takes',
		'/api/v1/takes/{id}',
		'/api/v1/takes/{id}/undelete',
		'/api/v1/tunes',
		'/api/v1/tunes/{id}',
		'/api/v1/tunes/{id}/routes',
		'/api/v1/tunes/{id}/undelete',
		'/backup.json',
		'/backup.json.gz',
		'/healthz',
		'/motifs/{id}/motif.json',
		'/routes/{id}/route.json',
		'/routes/{id}/route.mid',
		'/routes/{id}/route.musicxml',
		'/routes/{id}/route.mxl',
		'/routes/{id}/route.pdf',
		'/routes/{id}/route.txt',
		'/tunes/{id}/chart.cho',
		'/tunes/{id}/chart.json',
		'/tunes/{id}/chart.txt',
		'/tunes/{id}/sheet.pdf'
	]);
	expect(
		document.paths['/api/v1/plan'].post.requestBody.content['application/json'].schema.required
	).toContain('style');
});
