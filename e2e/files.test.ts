import { expect, test, type APIRequestContext } from '@playwright/test';
import { backupOf, FERRY, newTune } from './helpers';

type Imported = {
	tunes: { id: string; title: string }[];
	routes: { id: string; name: string }[];
	files: { understood: string[]; leftOut: string[] }[];
};

async function newRoute(request: APIRequestContext, tuneId: string) {
	const data = {
		...{ name: 'Sixth', position: 6, style: 'guide-tones' },
		line: { grid: 'eighth', cell: 'breath' },
		anchors: { locks: [], letPass: [] }
	};
	const made = await request.post(`/api/v1/tunes/${tuneId}/routes`, { data });
	expect(made.status()).toBe(201);
	return made.json();
}
/** How many tunes have a title. */
const named = async (request: APIRequestContext, title: string): Promise<number> => {
	const { tunes } = await (await request.get('/api/v1/tunes')).json();
	return tunes.filter((tune: { title: string }) => tune.title === title).length;
};
const bodyOf = async (request: APIRequestContext, path: string) => {
	const response = await request.get(path);
	expect(response.status(), path).toBe(200);
	return { buffer: await response.body(), headers: response.headers() };
};
const sendFiles = (
	request: APIRequestContext,
	files: { name: string; buffer: Buffer }[],
	query = ''
) => {
	const form = new FormData();
	for (const { name, buffer } of files)
		form.append('file', new File([new Uint8Array(buffer)], name));
	return request.post(`/api/v1/import${query}`, { multipart: form });
};

test('a route goes out in every format and comes back as it was', async ({ request }) => {
	// Other tests make tunes meanwhile: this one has a title of its own.
	const title = 'Out And Back';
	const chart = FERRY.replace('Tin Roof Ferry', title);
	const tune = await newTune(request, chart);
	const route = await newRoute(request, tune.id);
	const names = ['musicxml', 'mxl', 'mid', 'txt', 'json'];
	const files = [];
	for (const ending of names) {
		const { buffer, headers } = await bodyOf(request, `/routes/${route.id}/route.${ending}`);
		expect(headers['content-disposition']).toBe(
			`attachment; filename="Out-And-Back-Sixth.${ending}"`
		);
		files.push({ name: `a.${ending}`, buffer });
	}
	const shown = await sendFiles(request, files, '?preview=1');
	expect(shown.status()).toBe(200);
	expect(await named(request, title)).toBe(1);
	const response = await sendFiles(request, files);
	expect(response.status()).toBe(201);
	const imported: Imported = await response.json();
	expect(imported.tunes.map(({ title }) => title)).toEqual(Array(5).fill(title));
	expect((await shown.json()).tunes.map(({ title }: { title: string }) => title)).toEqual(
		imported.tunes.map(({ title }) => title)
	);
	expect(await named(request, title)).toBe(6);
	expect(imported.files.flatMap(({ leftOut }) => leftOut)).toEqual([]);
	for (const { id } of imported.routes) {
		const again = await (await request.get(`/api/v1/routes/${id}`)).json();
		expect(
			again.plan.notes.map(
				(note: {
					tick: number;
					durationTicks: number;
					string: number;
					fret: number;
					finger: number;
					technique: string;
				}) => [note.tick, note.durationTicks, note.string, note.fret, note.finger, note.technique]
			)
		).toEqual(
			route.plan.notes.map(
				(note: {
					tick: number;
					durationTicks: number;
					string: number;
					fret: number;
					finger: number;
					technique: string;
				}) => [note.tick, note.durationTicks, note.string, note.fret, note.finger, note.technique]
			)
		);
	}
	for (const { id } of imported.tunes) {
		expect((await (await request.get(`/api/v1/tunes/${id}`)).json()).chart.trim()).toBe(
			chart.trim()
		);
	}
});

test('a tune goes out as text, ChordPro and document', async ({ request }) => {
	const tune = await newTune(request);
	const text = await bodyOf(request, `/tunes/${tune.id}/chart.txt`);
	expect(text.buffer.toString()).toBe(FERRY);
	const song = await bodyOf(request, `/tunes/${tune.id}/chart.cho`);
	expect(song.buffer.toString()).toContain('{start_of_grid: Head}');
	const document = JSON.parse(
		(await bodyOf(request, `/tunes/${tune.id}/chart.json`)).buffer.toString()
	);
	expect(document).toMatchObject({ format: 'arc-step/tune', formatVersion: 1 });
	for (const [name, data] of [
		['a.txt', text.buffer.toString()],
		['a.cho', song.buffer.toString()],
		['a.json', JSON.stringify(document)]
	]) {
		const made = await request.post('/api/v1/import', { data: { name, text: data } });
		expect(made.status(), name).toBe(201);
		const { id } = (await made.json()).tunes[0];
		expect((await (await request.get(`/api/v1/tunes/${id}`)).json()).chart.trim()).toBe(
			FERRY.trim()
		);
	}
	expect((await request.get(`/tunes/${tune.id}/chart.exe`)).status()).toBe(404);
	expect((await request.get(`/tunes/nobody/chart.txt`)).status()).toBe(404);
	expect((await request.get(`/routes/${tune.id}/route.mid`)).status()).toBe(404);
});

test('one file that cannot be read keeps the others out, and says why', async ({ request }) => {
	const response = await sendFiles(request, [
		{ name: 'good.txt', buffer: Buffer.from('title: Kept Out\n| C |\n') },
		{ name: '../../etc/bad.mid', buffer: Buffer.from('not music') }
	]);
	expect(response.status()).toBe(422);
	const { issues } = await response.json();
	expect(issues).toEqual([
		{ path: 'file.1', message: 'bad.mid: The file is no MIDI file, or it is damaged.' }
	]);
	expect(await named(request, 'Kept Out')).toBe(0);
	for (const [data, status] of [
		[{ name: 'a.txt' }, 422],
		[{ name: 'a.txt', text: 'x', path: '/etc' }, 422],
		[{ name: 'a.txt', text: 'nothing here' }, 422],
		[{ name: 'a.txt', text: '| C |', tuneId: '00000000-0000-4000-8000-000000000000' }, 404]
	] as const) {
		expect((await request.post('/api/v1/import', { data })).status()).toBe(status);
	}
	const broken = await request.post('/api/v1/import', {
		headers: { 'content-type': 'multipart/form-data; boundary=x' },
		data: Buffer.from('--y')
	});
	expect(broken.status()).toBe(400);
	const none = await request.post('/api/v1/import', { multipart: { other: 'x' } });
	expect(none.status()).toBe(422);
	const plain = await request.post('/api/v1/import', {
		headers: { 'content-type': 'text/plain' },
		data: 'x'
	});
	expect(plain.status()).toBe(415);
});

test('a line without chords goes onto the tune that it is sent with', async ({ request }) => {
	const tune = await newTune(request);
	const rows = ['e|---------|', 'B|-6---9---|', ...Array.from('GDAE', (s) => `${s}|---------|`)];
	const data = { name: 'riff.txt', text: rows.join('\n'), tuneId: tune.id };
	const made = await request.post('/api/v1/import', { data });
	expect(made.status()).toBe(201);
	const answer: Imported = await made.json();
	expect(answer.tunes).toEqual([]);
	const route = await (await request.get(`/api/v1/routes/${answer.routes[0].id}`)).json();
	expect(route).toMatchObject({ tuneId: tune.id, name: 'riff' });
	expect(route.plan.notes).toHaveLength(2);
});

test('the notebook goes out in one file, which is shown before it is restored', async ({
	request
}) => {
	const { buffer } = await bodyOf(request, '/backup.json');
	const backup = JSON.parse(buffer.toString());
	expect(backup).toMatchObject({ format: 'arc-step/backup', formatVersion: 1 });
	// The demo's log; the server of the other project begins without it.
	if (test.info().project.name === 'embedded') {
		expect(backup.takes.length).toBeGreaterThan(100);
	}
	const shown = await request.post('/api/v1/restore?mode=replace&preview=1', { data: backup });
	expect(shown.status()).toBe(200);
	expect(await shown.json()).toMatchObject({ stored: false, takes: { added: 0 } });
	// A tune that was deleted comes back with the file; merged once more it changes nothing.
	const tune = await newTune(request, 'title: Comes Back\n| C |\n');
	const own = await backupOf(request, tune.id);
	expect((await request.delete(`/api/v1/tunes/${tune.id}`)).status()).toBe(204);
	const merged = await request.post('/api/v1/restore?mode=merge', { data: own });
	expect(await merged.json()).toMatchObject({ stored: true, tunes: { added: 0, changed: 1 } });
	expect((await request.get(`/api/v1/tunes/${tune.id}`)).status()).toBe(200);
	const again = await request.post('/api/v1/restore?mode=merge', { data: own });
	expect(await again.json()).toMatchObject({ tunes: { added: 0, changed: 0, kept: 1 } });
	expect((await request.post('/api/v1/restore', { data: backup })).status()).toBe(422);
	const wrong = await request.post('/api/v1/restore?mode=merge', { data: { ...backup, more: 1 } });
	expect(wrong.status()).toBe(422);
	const text = await request.post('/api/v1/restore?mode=merge', {
		headers: { 'content-type': 'application/json' },
		data: Buffer.from('{')
	});
	expect(text.status()).toBe(400);
});

test('documents have published schemas', async ({ request }) => {
	for (const name of ['tune', 'route', 'motif', 'backup']) {
		const schema = await (await request.get(`/api/v1/schemas/${name}.json`)).json();
		expect(schema.$schema).toContain('2020-12');
		expect(schema.properties.formatVersion.const).toBe(1);
		expect(schema.required).toContain('format');
	}
	expect((await request.get('/api/v1/schemas/other.json')).status()).toBe(404);
	const { motifs } = await (await request.get('/api/v1/motifs')).json();
	const { buffer } = await bodyOf(request, `/motifs/${motifs[0].id}/motif.json`);
	const made = await request.post('/api/v1/import?preview=1', {
		data: { name: 'm.json', text: buffer.toString() }
	});
	expect((await made.json()).motifs).toEqual([{ id: null, name: motifs[0].name }]);
});
