import type { TuneAnswer } from '$lib/api/notebook-schema';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ChartDraft } from './chart-draft.svelte';
import { OpenTune } from './open-tune.svelte';

const tune = (chart: string, over: Partial<TuneAnswer> = {}): TuneAnswer => ({
	id: '00000000-0000-4000-8000-000000000001',
	title: 'Test',
	key: 'C',
	tempo: 100,
	feel: 'straight',
	bars: 1,
	chart,
	version: 1,
	createdAt: '',
	updatedAt: '',
	...over
});

describe('the open tune', () => {
	it('begins with the hand on the root of the key, thickest string', () => {
		const at = (chart: string) => new OpenTune(tune(chart), null).position;
		expect(at('key: Bb\n| Bb |')).toBe(6);
		expect(at('key: E\n| E |')).toBe(12);
		expect(at('key: F\n| F |')).toBe(1);
		expect(at('tuning: open-d\nkey: G\n| G |')).toBe(5);
		expect(at('| N.C. |')).toBe(5);
		expect(new OpenTune(tune('| C |'), 99).position).toBe(19);
	});

	it('knows what follows the coming chord, round the loop', () => {
		const open = new OpenTune(tune('| C | F | % | G7 |'), 5);
		const after = () => open.afterNext?.symbol;
		expect(after()).toBe('G7');
		open.step(1);
		expect(after()).toBe('C');
		open.step(1);
		expect(after()).toBe('F');
		expect(new OpenTune(tune('| C |'), 5).afterNext).toBeNull();
	});

	it('has the chord before the change as now, round the loop', () => {
		const open = new OpenTune(tune('| C | F | G |'), 5);
		const pair = () => `${open.now?.symbol}>${open.next?.symbol}`;
		expect(pair()).toBe('C>F');
		open.step(1);
		expect(pair()).toBe('F>G');
		open.step(1);
		expect(pair()).toBe('G>C');
		open.step(-1);
		expect(pair()).toBe('F>G');
	});

	it('takes a lone chord as now, and no chord as nothing', () => {
		const vamp = new OpenTune(tune('| Dm | % |'), 5);
		expect([vamp.now?.symbol, vamp.next]).toEqual(['Dm', null]);
		const empty = new OpenTune(tune(''), 5);
		empty.step(1);
		expect([empty.now, empty.next, empty.change]).toEqual([null, null, undefined]);
	});

	it('keeps place and cursor inside a chart that shrank', () => {
		const open = new OpenTune(tune('| C | F | G |'), 5);
		open.step(1);
		open.replace(tune('capo: 5\n| C | F |', { version: 2 }));
		expect(open.cursor).toBe(1);
		open.moveTo(18);
		expect(open.position).toBe(14);
		open.moveTo(-4);
		expect(open.position).toBe(1);
	});
});

describe('another tune in the same place', () => {
	it('begins as it would if it were opened first', () => {
		const open = new OpenTune(tune('key: C\n| C | F | G | Am | Dm |'), 7);
		open.step(2);
		[open.slide, open.block] = [1, true];
		const other = tune('key: Bb\n| Bb | Eb | F7 |', { id: 'other' });
		open.begin(other, null);
		expect([open.saved.id, open.cursor, open.position]).toEqual(['other', 1, 6]);
		expect([open.slide, open.block, open.keyed]).toEqual([0, false, null]);
		expect(`${open.now?.symbol}>${open.next?.symbol}`).toBe('Bb>Eb');
		open.begin(tune('| Dm |'), 3);
		expect([open.cursor, open.position, open.now?.symbol]).toEqual([0, 3, 'Dm']);
	});
});

describe('the chart while it is edited', () => {
	const begin = (chart: string) => {
		const open = new OpenTune(tune(chart), 5);
		return { open, draft: new ChartDraft(open) };
	};

	it('knows the chord at the cursor and the one after it', () => {
		const { draft } = begin('key: C\n| C | F | % |\n| xyz | G |');
		draft.cursorTo({ line: 2, column: 3 });
		expect([draft.now?.symbol, draft.next?.symbol]).toEqual(['C', 'F']);
		draft.cursorTo({ line: 2, column: 9 });
		expect([draft.now?.symbol, draft.next?.symbol]).toEqual(['F', 'G']);
		draft.cursorTo({ line: 3, column: 5 });
		expect([draft.here?.kind, draft.now, draft.next]).toEqual(['unreadable', null, null]);
		draft.cursorTo({ line: 3, column: 12 });
		expect([draft.now?.symbol, draft.next?.symbol]).toEqual(['G', 'C']);
		draft.cursorTo({ line: 1, column: 1 });
		expect(draft.now?.symbol).toBe('C');
	});

	it('is dirty when it differs, and reports headers of scale and tuning too', () => {
		const { draft } = begin('| C |');
		expect(draft.dirty).toBe(false);
		draft.text = 'scale: C nothing\ntuning: odd\n| C | ??? |';
		expect(draft.dirty).toBe(true);
		expect(draft.diagnostics.map((entry) => entry.line)).toEqual([1, 2, 3]);
	});

	describe('saved', () => {
		const answers: { status: number; body: unknown }[] = [];
		beforeEach(() => {
			answers.length = 0;
			vi.stubGlobal('fetch', () => {
				const next = answers.shift();
				if (!next) return Promise.reject(new TypeError('no network'));
				return Promise.resolve(Response.json(next.body, { status: next.status }));
			});
		});
		afterEach(() => vi.unstubAllGlobals());

		it('takes the new version', async () => {
			const { open, draft } = begin('| C |');
			draft.text = '| F | G |';
			answers.push({ status: 200, body: tune('| F | G |', { version: 2 }) });
			expect(await draft.save()).toBe(true);
			expect([draft.version, draft.dirty, open.saved.version]).toEqual([2, false, 2]);
		});

		it('meets a newer text and offers both', async () => {
			const { draft } = begin('| C |');
			draft.text = '| F |';
			answers.push({
				status: 409,
				body: { detail: 'newer', current: tune('| G |', { version: 4 }) }
			});
			expect(await draft.save()).toBe(false);
			expect([draft.conflict?.chart, draft.text]).toEqual(['| G |', '| F |']);
			draft.takeTheirs();
			expect([draft.text, draft.version, draft.conflict]).toEqual(['| G |', 4, null]);
			draft.text = '| A |';
			answers.push({
				status: 409,
				body: { detail: 'newer', current: tune('| B |', { version: 5 }) }
			});
			await draft.save();
			answers.push({ status: 200, body: tune('| A |', { version: 6 }) });
			expect(await draft.keepMine()).toBe(true);
			expect(draft.version).toBe(6);
		});

		it('keeps the text when the server is away', async () => {
			const { draft } = begin('| C |');
			draft.text = '| F |';
			await expect(draft.save()).rejects.toThrow(/does not answer/);
			expect([draft.text, draft.saving, draft.dirty]).toEqual(['| F |', false, true]);
		});
	});
});
