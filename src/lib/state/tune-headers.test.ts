import type { TuneAnswer } from '$lib/api/notebook-schema';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { OpenTune } from './open-tune.svelte';
import { redoStep, saveHeaders, toNextKey, undoStep } from './tune-headers';
import { until } from './test-until';

type Said = { text: string; undo?: () => void };
const said: Said[] = [];
vi.mock('svelte-sonner', () => ({
	toast: (text: string, options?: { action?: { onClick: () => void } }) =>
		said.push({ text, undo: options?.action?.onClick })
}));

const tune = (chart: string, version = 1) =>
	({ id: 'x', title: 'T', chart, version }) as unknown as TuneAnswer;

describe('header lines from outside the text', () => {
	let server: TuneAnswer;
	beforeEach(() => {
		said.length = 0;
		server = tune('key: C\n| C | F |');
		vi.stubGlobal('fetch', (_path: string, { body }: { body: string }) => {
			const sent = JSON.parse(body);
			if (sent.version !== server.version) {
				const problem = { detail: 'newer', current: server };
				return Promise.resolve(Response.json(problem, { status: 409 }));
			}
			server = tune(sent.chart, server.version + 1);
			return Promise.resolve(Response.json(server));
		});
	});
	afterEach(() => vi.unstubAllGlobals());

	it('are written, saved and taken back', async () => {
		const open = new OpenTune(server, 5);
		await saveHeaders(open, { tuning: 'open-d', capo: '2' }, 'Tuned.');
		expect(server.chart).toBe('key: C\ntuning: open-d\ncapo: 2\n| C | F |');
		expect(open.instrument.capo).toBe(2);
		expect(said.map(({ text }) => text)).toEqual(['Tuned.']);
		said[0].undo?.();
		await until(() => expect(open.saved.version).toBe(3));
		expect(server.chart).toBe('key: C\n| C | F |');
	});

	it('change nothing where nothing differs', async () => {
		const open = new OpenTune(server, 5);
		await saveHeaders(open, { key: 'C', scale: null }, 'Nothing.');
		expect([server.version, said]).toEqual([1, []]);
	});

	it('give way to a newer text and say so', async () => {
		const open = new OpenTune(server, 5);
		server = tune('key: D\n| D |', 4);
		await saveHeaders(open, { capo: '3' }, 'Capo.');
		expect(open.saved).toMatchObject({ chart: 'key: D\n| D |', version: 4 });
		expect(said[0].text).toContain('changed elsewhere');
	});

	it('are undone step by step and done again', async () => {
		const open = new OpenTune(server, 5);
		await saveHeaders(open, { capo: '3' }, 'Capo.');
		await saveHeaders(open, { capo: '4' }, 'Again.');
		await undoStep(open);
		expect(server.chart).toContain('capo: 3');
		await undoStep(open);
		expect(server.chart).toBe('key: C\n| C | F |');
		await undoStep(open);
		expect(server.version).toBe(5);
		await redoStep(open);
		await redoStep(open);
		await redoStep(open);
		expect(server.chart).toContain('capo: 4');
		// A new step ends what could be done again.
		await undoStep(open);
		await saveHeaders(open, { scale: 'C lydian' }, 'Scale.');
		await redoStep(open);
		expect(server.chart).toContain('scale: C lydian\n');
		expect(server.chart).toContain('capo: 3');
	});

	it('take nothing back once the text is another', async () => {
		const open = new OpenTune(server, 5);
		await saveHeaders(open, { capo: '3' }, 'Capo.');
		server = tune('key: D\n| D |', 9);
		open.replace(server);
		said[0].undo?.();
		expect(said.at(-1)?.text).toContain('has changed since');
		expect(server).toMatchObject({ chart: 'key: D\n| D |', version: 9 });
	});

	it('move round the circle by twelve steps and are home again', async () => {
		const open = new OpenTune(server, 5);
		const keys: string[] = [];
		for (let i = 0; i < 12; i++) {
			await toNextKey(open);
			keys.push(/key: (\S+)/.exec(server.chart)?.[1] ?? '');
		}
		expect(keys).toEqual('F Bb Eb Ab Db Gb B E A D G C'.split(' '));
		expect(server.chart).toBe('key: C\n| C | F |');
		expect(said[0].text).toBe('Now in F major.');
		const silent = new OpenTune(tune('| N.C. |'), 5);
		await toNextKey(silent);
		expect(silent.saved.version).toBe(1);
	});
});
