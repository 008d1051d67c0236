import { expect, test } from '@playwright/test';
import { FERRY } from './helpers';

test('positions lay a scale out in any tuning', async ({ request }) => {
	const scale = { tonic: 'Bb', name: 'minor pentatonic' };
	const response = await request.post('/api/v1/positions', { data: { scale, family: 'box' } });
	expect(response.status()).toBe(200);
	const { positions } = await response.json();
	const sixth = positions.find((entry: { position: number }) => entry.position === 6);
	expect(sixth.notes.map((n: { string: number; fret: number }) => `${n.string}-${n.fret}`)).toEqual(
		'6-6 6-9 5-6 5-8 4-6 4-8 3-6 3-8 2-6 2-9 1-6 1-9'.split(' ')
	);
	for (const family of ['n-per-string', 'diagonal', 'pocket', 'single-fret']) {
		const other = await request.post('/api/v1/positions', {
			data: { scale, family, instrument: { tuning: 'C2 G2 D3 A3', frets: 19, capo: 3 } }
		});
		expect(other.status(), family).toBe(200);
		for (const { notes } of (await other.json()).positions) {
			for (const note of notes) expect(note.fret).toBeLessThanOrEqual(16);
		}
	}
});

test('shapes give fingers, forms, joins, grips, double stops and bends', async ({ request }) => {
	const response = await request.post('/api/v1/shapes', { data: { chord: 'Eb7', position: 6 } });
	expect(response.status()).toBe(200);
	const { shapes, grips, doubleStops, bends } = await response.json();
	const joined = shapes.find((shape: { kind: string }) => shape.kind === 'joined');
	expect(joined.shift).toMatchObject({ afterNote: expect.any(Number), frets: expect.any(Number) });
	expect(joined.notes[joined.shift.afterNote + 1]).toMatchObject({
		...{ string: joined.shift.string, finger: joined.shift.finger }
	});
	expect(shapes[0].shift).toBeNull();
	expect(grips[0]).toMatchObject({ form: expect.any(String), muted: expect.any(Array) });
	expect(grips[0].notes[0]).toMatchObject({ name: 'Eb', role: 'R', finger: expect.any(Number) });
	expect(shapes[0]).toMatchObject({ kind: 'full', form: expect.any(String) });
	expect(shapes.some((shape: { kind: string }) => shape.kind === 'octave')).toBe(true);
	expect(doubleStops[0]).toHaveProperty('verdict');
	expect(bends[0]).toHaveProperty('toRole');
});

test('coverage ranks every position with reasons', async ({ request }) => {
	const response = await request.post('/api/v1/coverage', { data: { chart: FERRY } });
	expect(response.status()).toBe(200);
	const { chords, positions, best, matrix } = await response.json();
	expect(chords).toEqual(['Bb7', 'Eb7', 'Edim7', 'G7alt', 'Cm7', 'F7', 'G7']);
	expect(positions).toHaveLength(19);
	expect(matrix).toHaveLength(19 * 7);
	expect(positions[best - 1].reasons.length).toBeGreaterThan(2);
});

test('a request that breaks a rule gets a 422 with the place and what to do', async ({
	request
}) => {
	const scale = { tonic: 'C', name: 'major' };
	for (const [path, data, where] of [
		['positions', { scale, family: 'spiral' }, 'family'],
		['positions', { scale: { tonic: 'H', name: 'major' }, family: 'box' }, 'scale.tonic'],
		['positions', { scale: { tonic: 'C', name: 'majer' }, family: 'box' }, 'scale.name'],
		['positions', { scale, family: 'box', instrument: { tuning: 'E A D' } }, 'instrument.tuning'],
		['shapes', { chord: 'Q7', position: 5 }, 'chord'],
		['shapes', { chord: 'C', position: 0 }, 'position'],
		['shapes', { chord: 'C', position: 1e9 }, 'position'],
		['coverage', { chart: '| N.C. |' }, 'chart'],
		['coverage', { chart: FERRY, style: 'polka' }, 'style'],
		['instruments', { name: 'x' }, 'tuning'],
		[
			'instruments',
			{
				...{ name: 'x', tuning: 'bass', frets: 24, scaleLengthMm: 860 },
				...{ leftHanded: false, labels: ['a'] }
			},
			'labels'
		]
	] as const) {
		const response = await request.post(`/api/v1/${path}`, { data });
		expect(response.status(), `${path} ${where}`).toBe(422);
		const { issues, detail } = await response.json();
		expect(issues.map((issue: { path: string }) => issue.path)).toContain(where);
		expect(detail.length).toBeGreaterThan(5);
	}
	for (const path of ['positions', 'shapes', 'coverage']) {
		expect((await request.get(`/api/v1/${path}`)).status()).toBe(405);
		const text = await request.post(`/api/v1/${path}`, {
			headers: { 'content-type': 'application/json' },
			data: Buffer.from('{')
		});
		expect(text.status()).toBe(400);
	}
});

test('instruments and the player are kept by version', async ({ request }) => {
	const record = {
		...{ name: 'Lantern', tuning: 'D2 A2 D3 F#3 A3 D4', frets: 21 },
		...{ scaleLengthMm: 628, leftHanded: true, labels: null }
	};
	const made = await request.post('/api/v1/instruments', { data: record });
	expect(made.status()).toBe(201);
	const { id, version } = await made.json();
	expect(made.headers()['location']).toBe(`/api/v1/instruments/${id}`);
	const path = `/api/v1/instruments/${id}`;
	const changed = await request.put(path, { data: { ...record, frets: 22, version } });
	expect(await changed.json()).toMatchObject({ frets: 22, version: 2 });
	const stale = await request.put(path, { data: { ...record, version } });
	expect(stale.status()).toBe(409);
	expect((await stale.json()).current).toMatchObject({ frets: 22, version: 2 });
	const listed = await (await request.get('/api/v1/instruments')).json();
	expect(listed.instruments.map((entry: { id: string }) => entry.id)).toContain(id);
	expect((await request.delete(path)).status()).toBe(204);
	expect((await request.get(path)).status()).toBe(404);
	expect((await request.put(path, { data: { ...record, version: 2 } })).status()).toBe(404);
	expect((await request.delete('/api/v1/instruments/nonsense')).status()).toBe(404);

	const player = await (await request.get('/api/v1/player')).json();
	const wide = await request.put('/api/v1/player', { data: { ...player, handMm: 500 } });
	expect(wide.status()).toBe(422);
	const old = await request.put('/api/v1/player', { data: { ...player, version: 99 } });
	expect(old.status()).toBe(409);
	// Another test may have saved meanwhile: what comes back is what stands there now.
	expect((await old.json()).current.version).toBeGreaterThanOrEqual(player.version);
});
