import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { ImportAnswer } from '$lib/api/import-schema';
import { BringIn, sendBackup, takeBack } from './bring-in.svelte';

const answerOf = (title: string, id: string | null): ImportAnswer => ({
	tunes: [{ id, title }],
	routes: [],
	motifs: [],
	warnings: [],
	files: [{ name: title, kind: 'text', understood: ['4 bars.'], leftOut: [] }]
});
type Call = { url: string; method: string; body: unknown };
let calls: Call[];
/** What the server says of a file, by its name. */
let answers: Record<string, () => Response>;

beforeEach(() => {
	calls = [];
	answers = {};
	vi.stubGlobal('fetch', (url: string, init: RequestInit = {}) => {
		calls.push({ url, method: init.method ?? 'GET', body: init.body });
		if (init.method === 'DELETE') return Promise.resolve(new Response(null, { status: 204 }));
		const form = init.body instanceof FormData ? init.body.get('file') : init.body;
		const name = form instanceof File ? form.name : '';
		const stored = !url.includes('preview');
		const made = answers[name];
		if (made) return Promise.resolve(made());
		return Promise.resolve(Response.json(answerOf(name, stored ? `id of ${name}` : null)));
	});
});
afterEach(() => vi.unstubAllGlobals());

const file = (name: string, text = '| C |') => new File([text], name);
const refuse =
	(detail: string, status = 422) =>
	() =>
		Response.json({ detail }, { status });

describe('files that are brought in', () => {
	it('are read one after the other and shown before anything is kept', async () => {
		const files = new BringIn();
		answers['b.mid'] = refuse('b.mid: The file is damaged.');
		await files.add([file('a.txt'), file('b.mid'), file('c.wav')], 'tune');
		expect(files.shown).toBe(true);
		expect(files.busy).toBe(false);
		expect(files.list.map(({ state, message }) => [state, message])).toEqual([
			['ready', ''],
			// The name stands beside it already.
			['refused', 'The file is damaged.'],
			['refused', expect.stringContaining('judged on the Drill screen')]
		]);
		expect(calls.map(({ url }) => url)).toEqual(Array(2).fill('/api/v1/import?preview=1'));
		expect((calls[0].body as FormData).get('tuneId')).toBe('tune');
		expect(files.ready.map(({ file: each }) => each.name)).toEqual(['a.txt']);
	});

	it('are kept where they are wanted; what is refused by then stays', async () => {
		const files = new BringIn();
		await files.add([file('a.txt'), file('b.txt'), file('c.txt')], null);
		files.list[1].wanted = false;
		answers['c.txt'] = refuse('Gone meanwhile.', 404);
		const kept = await files.keep();
		expect(kept.tunes).toEqual([{ id: 'id of a.txt', title: 'a.txt' }]);
		expect(files.list.map(({ file: each, state }) => [each.name, state])).toEqual([
			['b.txt', 'ready'],
			['c.txt', 'refused']
		]);
		expect(files.shown).toBe(true);
		files.drop(files.list[0].id);
		files.drop(files.list[0].id);
		expect(files.shown).toBe(false);
	});

	it('are taken back, routes before their tunes', async () => {
		await takeBack({
			tunes: [{ id: 't', title: 'x' }],
			routes: [{ id: 'r', name: 'x' }],
			motifs: [{ id: null, name: 'x' }]
		});
		expect(calls.map(({ method, url }) => `${method} ${url}`)).toEqual([
			'DELETE /api/v1/routes/r',
			'DELETE /api/v1/tunes/t'
		]);
	});

	it('say so when the server does not answer', async () => {
		vi.stubGlobal('fetch', () => Promise.reject(new Error('down')));
		const files = new BringIn();
		await files.add([file('a.txt')], null);
		expect(files.list[0]).toMatchObject({
			state: 'refused',
			message: expect.stringContaining('does not answer')
		});
		files.close();
		expect(files.list).toEqual([]);
		await expect(sendBackup(file('b.json'), 'merge', true)).rejects.toThrow('does not answer');
	});
});

describe('a backup among the files', () => {
	it('is asked about apart', async () => {
		const files = new BringIn();
		const backup = file('notebook.json', '{"format":"arc-step/backup","formatVersion":1}');
		await files.add([backup], null);
		expect(files.backup?.name).toBe('notebook.json');
		expect([files.list.length, files.shown, calls.length]).toEqual([0, false, 0]);
		await files.add([file('tune.json', '{"format":"arc-step/tune"}')], null);
		expect(files.list).toHaveLength(1);
		expect(files.shown).toBe(true);
	});

	it('is sent the way that was chosen, and a refusal is told', async () => {
		const backup = file('notebook.json', '{}');
		answers['notebook.json'] = () => Response.json({ mode: 'merge', stored: false });
		expect(await sendBackup(backup, 'merge', true)).toEqual({ mode: 'merge', stored: false });
		await sendBackup(backup, 'replace', false);
		expect(calls.map(({ url }) => url)).toEqual([
			'/api/v1/restore?mode=merge&preview=1',
			'/api/v1/restore?mode=replace'
		]);
		answers['notebook.json'] = refuse('The file is no backup.');
		await expect(sendBackup(backup, 'merge', false)).rejects.toThrow('The file is no backup.');
	});
});
