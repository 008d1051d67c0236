import type { InstrumentAnswer, PlayerAnswer } from '$lib/api/notebook-schema';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { PlayerStore } from './player-setup.svelte';
import { until } from './test-until';

type Said = { text: string; act?: () => void };
const said: Said[] = [];
vi.mock('svelte-sonner', () => ({
	toast: (text: string, options?: { action?: { onClick: () => void } }) =>
		said.push({ text, act: options?.action?.onClick })
}));

const player: PlayerAnswer = { handMm: 105, scales: [], version: 1 };
const guitar: InstrumentAnswer = {
	...{ id: 'a', name: 'Wide seven', tuning: 'B1 E2 A2 D3 G3 B3 E4', frets: 24 },
	...{ scaleLengthMm: 686, leftHanded: false, labels: null, version: 1 },
	...{ createdAt: '', updatedAt: '' }
};
const { id: _id, version: _version, createdAt: _c, updatedAt: _u, ...record } = guitar;

type Call = { path: string; method: string; body: Record<string, unknown> | null };
const calls: Call[] = [];
const answers: { status: number; body?: unknown }[] = [];

describe('the player’s setup', () => {
	beforeEach(() => {
		said.length = calls.length = answers.length = 0;
		vi.stubGlobal('fetch', (path: string, init: { method: string; body?: string }) => {
			calls.push({ path, method: init.method, body: init.body ? JSON.parse(init.body) : null });
			const next = answers.shift();
			if (!next) return Promise.reject(new TypeError('no network'));
			const { status, body } = next;
			return Promise.resolve(
				status === 204 ? new Response(null, { status }) : Response.json(body, { status })
			);
		});
	});
	afterEach(() => vi.unstubAllGlobals());

	it('saves only what is changed, from the version that is known', async () => {
		const store = new PlayerStore(player, []);
		answers.push({ status: 200, body: { ...player, handMm: 85, version: 2 } });
		expect(await store.savePlayer({ handMm: 85 })).toBe(true);
		expect(calls).toEqual([
			{ path: '/api/v1/player', method: 'PUT', body: { handMm: 85, scales: [], version: 1 } }
		]);
		expect(store.player).toMatchObject({ handMm: 85, version: 2 });
	});

	it('takes what was changed elsewhere, and says so', async () => {
		const store = new PlayerStore(player, [guitar]);
		const newer = { ...player, handMm: 125, version: 5 };
		answers.push({ status: 409, body: { detail: 'newer', current: newer } });
		expect(await store.savePlayer({ handMm: 85 })).toBe(false);
		expect(store.player).toEqual(newer);
		expect(said[0].text).toContain('changed elsewhere');
		const renamed = { ...guitar, name: 'Narrow seven', version: 3 };
		answers.push({ status: 409, body: { detail: 'newer', current: renamed } });
		expect(await store.changeInstrument(guitar, record)).toBe(false);
		expect(store.instruments).toEqual([renamed]);
	});

	it('adds, changes and removes instruments; a removed one can come back', async () => {
		const store = new PlayerStore(player, []);
		answers.push({ status: 201, body: guitar });
		expect(await store.addInstrument(record)).toBe(true);
		answers.push({ status: 200, body: { ...guitar, frets: 22, version: 2 } });
		expect(await store.changeInstrument(guitar, { ...record, frets: 22 })).toBe(true);
		expect(calls[1].body).toEqual({ ...record, frets: 22, version: 1 });
		expect(store.instruments.map((entry) => entry.frets)).toEqual([22]);
		answers.push({ status: 204 });
		await store.removeInstrument(store.instruments[0]);
		expect(store.instruments).toEqual([]);
		answers.push({ status: 200, body: { ...guitar, frets: 22 } });
		said[0].act?.();
		await until(() => expect(store.instruments).toHaveLength(1));
		expect(calls.at(-1)).toMatchObject({
			method: 'POST',
			path: expect.stringMatching(/undelete$/)
		});
	});

	it('keeps everything when the server refuses or is gone', async () => {
		const store = new PlayerStore(player, [guitar]);
		answers.push({ status: 422, body: { detail: 'This tuning has 7 strings.' } });
		expect(await store.addInstrument({ ...record, labels: ['B'] })).toBe(false);
		expect(await store.savePlayer({ handMm: 90 })).toBe(false);
		await store.removeInstrument(guitar);
		expect(said.map(({ text }) => text)).toEqual([
			'This tuning has 7 strings.',
			...Array.from({ length: 2 }, () => expect.stringContaining('does not answer'))
		]);
		expect([store.player, store.instruments]).toEqual([player, [guitar]]);
	});
});
