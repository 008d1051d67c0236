import { describe, expect, it } from 'vitest';
import type { Log, LogTake } from '$lib/api/log-page';
import { LogRows } from './log-rows.svelte';

const PAGE = 50;
const takes = (from: number, found: number, note = ''): LogTake[] =>
	Array.from(
		{ length: Math.max(0, Math.min(PAGE, found - from)) },
		(_, i) => ({ id: `t${from + i}`, note }) as LogTake
	);
const logOf = (found: number, skip = 0, note = '') =>
	({ found, page: PAGE, takes: takes(skip, found, note) }) as unknown as Log;

function rowsOver(found: number) {
	const asked: number[] = [];
	const answers = { note: '', fails: false };
	const rows = new LogRows(async (skip) => {
		asked.push(skip);
		if (answers.fails) throw new Error('away');
		return takes(skip, found, answers.note);
	});
	return { rows, asked, answers };
}

describe('the rows of a long log', () => {
	it('begin with those of the page; the others come block by block, each once', async () => {
		const { rows, asked } = rowsOver(180);
		rows.show(logOf(180), 0);
		expect(rows.count).toBe(180);
		expect([rows.at(0)?.id, rows.at(49)?.id, rows.at(50)]).toEqual(['t0', 't49', undefined]);
		await rows.want(0, 40);
		expect(asked).toEqual([]);
		await Promise.all([rows.want(40, 110), rows.want(60, 120)]);
		expect(asked).toEqual([50, 100]);
		expect([rows.at(50)?.id, rows.at(149)?.id, rows.at(150)]).toEqual(['t50', 't149', undefined]);
		await rows.want(170, 999);
		expect(asked).toEqual([50, 100, 150]);
		expect([rows.at(179)?.id, rows.at(180)]).toEqual(['t179', undefined]);
	});

	it('stay in sight when the log changes, until they are fetched anew', async () => {
		const { rows, asked, answers } = rowsOver(120);
		rows.show(logOf(120), 0);
		await rows.want(0, 100);
		answers.note = 'new';
		rows.show(logOf(120, 0, 'new'), 0);
		expect([rows.at(3)?.note, rows.at(60)?.note]).toEqual(['new', '']);
		await rows.want(0, 100);
		expect(rows.at(60)?.note).toBe('new');
		expect(asked).toEqual([50, 50]);
	});

	it('are let go where the log has other takes, and tried again where fetching failed', async () => {
		const { rows, asked, answers } = rowsOver(90);
		rows.show(logOf(120), 0);
		await rows.want(0, 100);
		rows.show(logOf(90), 0);
		expect(rows.at(60)).toBeUndefined();
		answers.fails = true;
		await expect(rows.want(0, 90)).rejects.toThrow('away');
		answers.fails = false;
		await rows.want(0, 90);
		expect(rows.at(89)?.id).toBe('t89');
		expect(asked).toEqual([50, 50, 50]);
	});

	it('that begin in the middle of a block are fetched with it', async () => {
		const { rows, asked } = rowsOver(120);
		rows.show(logOf(120, 20), 20);
		expect(rows.at(20)).toBeUndefined();
		await rows.want(20, 40);
		expect(rows.at(20)?.id).toBe('t20');
		expect(asked).toEqual([0]);
	});
});
