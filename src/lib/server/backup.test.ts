import { MEDIUM_HAND } from '$core/neck';
import { NO_LINE, NO_ANCHORS } from '../api/route-schema';
import { must } from '$core/test-must';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { drillOf, inKey } from '$core/practice';
import type { TakeInput } from '../api/practice-schema';
import { runTake } from '../api/take';
import { readTune } from '../api/tune-reading';
import { DEMO_TUNES } from './demo-tunes';
import { backupDocument, type BackupDocument } from '../api/backup-schema';
import { planInput } from '../api/import-file';
import { backupText } from './backup';
import { readBackup } from './restore-reading';
import { appendFileSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import type { Database } from './database';
import { storeTake } from './takes';
import { createInstrument, updatePlayer } from './instruments';
import { createMotif, PRESET_MOTIF } from './motifs';
import { previewRestore, restore, type ReadBackup } from './restore';
import { createRoute } from './routes';
import { createSet } from './sets';
import { newNotebook } from './test-database';
import { throwAway } from './trash';
import { createTune, deleteTune, updateTune } from './tunes';

const closers: (() => Promise<void>)[] = [];
async function notebook(): Promise<Database> {
	const book = await newNotebook();
	const { db, close } = await book.open();
	closers.push(close, book.remove);
	return db;
}
afterAll(async () => {
	for (const close of closers) await close();
	rmSync(folder, { recursive: true, force: true });
});

/** A take of a tune, by ear or judged. */
async function played(
	{ id, title, chart }: { id: string; title: string; chart: string },
	i: number,
	at: Date
) {
	const { chart: read } = inKey(chart, null);
	const ladder = { start: 60, step: 4, ceiling: 80, up: 2 };
	const drill = drillOf('free', read, { position: 3 + (i % 3), key: null }, ladder);
	const byEar = i % 3 === 0;
	const take: TakeInput = {
		...{ tuneId: id, drill: { ...drill, loops: 1 }, looped: null, tempo: 60, loops: 1 },
		...{ input: byEar ? 'hand' : 'midi', grade: byEar ? 'clean' : null, note: `take ${i}` },
		events: byEar
			? []
			: [
					{ timeMs: 4, durationMs: 300, midi: 62 },
					{ timeMs: 4100.5, durationMs: 200, midi: 65, cents: 12 }
				],
		...{ durationMs: 4000, day: '2026-03-02' }
	};
	const judged = runTake({ chart, title, take, own: [] });
	if ('error' in judged) throw new Error(judged.error[0].message);
	await storeTake(full, take, { judged: judged.value, chart, own: [] }, at);
}

let full: Database;
let other: Database;
let backup: BackupDocument;
/** The same with fewer takes. */
let small: BackupDocument;
const PRESET = `${PRESET_MOTIF}000000000002`;
beforeAll(async () => {
	full = await notebook();
	other = await notebook();
	const start = new Date('2026-03-02T10:00:00Z').getTime();
	const tunes = [];
	for (const [i, { chart }] of DEMO_TUNES.entries()) {
		tunes.push(await createTune(full, readTune(chart), new Date(start + i)));
	}
	const [ferry] = tunes;
	const wish = { position: 6, style: 'guide-tones', anchors: NO_ANCHORS } as const;
	for (const [k, grid] of (['targets', 'eighth'] as const).entries()) {
		const input = { ...wish, name: `Route ${k}`, line: { ...NO_LINE, grid } };
		const { plan } = must(planInput(ferry.chart, input, { own: [], hand: MEDIUM_HAND }));
		await createRoute(full, ferry.id, input, plan, ferry.version, new Date(start + k));
	}
	await createSet(full, {
		name: 'Thursday',
		note: 'a note',
		tuneIds: tunes.map(({ id }) => id).reverse()
	});
	await createMotif(full, {
		name: 'Up and over',
		motif: { basis: 'role', notes: [{ offsetTicks: 0, durationTicks: 240, step: 'b3' }] }
	});
	await createInstrument(full, {
		...{ name: 'Old one', tuning: 'E2 A2 D3 G3 B3 E4', frets: 21, scaleLengthMm: 628 },
		...{ leftHanded: true, labels: null }
	});
	await updatePlayer(full, { handMm: 95, scales: [] }, 1);
	for (let i = 0; i < 12; i++) await played(tunes[i % 4], i, new Date(start + i * 60_000));
	backup = await makeBackup(full);
	small = { ...backup, takes: backup.takes.slice(0, 10) };
});

/** A backup without what a restore may change. */
const told = (document: BackupDocument) =>
	JSON.parse(
		JSON.stringify(document, (key, value: unknown) =>
			['exportedAt', 'createdAt', 'updatedAt', 'version'].includes(key) ? undefined : value
		)
	) as unknown;
const folder = mkdtempSync(join(tmpdir(), 'arc-step-backups-'));
let files = 0;
function fileOf(content: string | Uint8Array): string {
	const path = join(folder, String(files++));
	writeFileSync(path, content);
	return path;
}
async function read(value: unknown): Promise<ReadBackup> {
	const path = fileOf(JSON.stringify(value));
	return { path, index: must(await readBackup(path, false)) };
}
async function makeBackup(db: Database): Promise<BackupDocument> {
	let text = '';
	for await (const part of backupText(db)) text += part;
	return JSON.parse(text) as BackupDocument;
}

describe('a backup', () => {
	it('holds the whole notebook and passes its own schema', () => {
		expect(backupDocument.safeParse(JSON.parse(JSON.stringify(backup))).error).toBeUndefined();
		expect(backup.tunes).toHaveLength(8);
		expect(backup.routes.map(({ name }) => name)).toEqual(['Route 0', 'Route 1']);
		expect(backup.takes).toHaveLength(12);
		expect(backup.takes.some(({ changes }) => changes.length > 4)).toBe(true);
		expect(backup.sets[0].tunes).toEqual(backup.tunes.map(({ id }) => id).reverse());
		expect(backup.player?.handMm).toBe(95);
	});

	it('makes of an empty notebook the same one, presets and all', async () => {
		await throwAway(full, 'motif', PRESET);
		const whole = await makeBackup(full);
		const shown = await previewRestore(other, await read(whole), 'merge');
		expect(shown).toMatchObject({ stored: false, tunes: { added: 8, changed: 0, kept: 0 } });
		expect((await makeBackup(other)).tunes).toEqual([]);
		await restore(other, await read(whole), 'merge');
		expect(told(await makeBackup(other))).toEqual(told(whole));
	});

	it('restored once more doubles nothing', async () => {
		for (const mode of ['merge', 'replace'] as const) {
			await restore(other, await read(small), 'replace');
			const again = await restore(other, await read(small), mode);
			expect(again.takes).toEqual({ added: 0, changed: 0, kept: 10, removed: 0 });
			expect(told(await makeBackup(other))).toEqual(told(small));
		}
	});

	it('merged keeps what is newer here, takes what is newer there, and adds what is missing', async () => {
		await restore(other, await read(small), 'replace');
		const [first, second, third] = small.tunes;
		const mine = await createTune(other, readTune('title: Mine\n| C |'));
		await updateTune(other, first.id, readTune('title: Newer here\n| C |'), first.version);
		await deleteTune(other, third.id);
		const later = {
			...small,
			tunes: small.tunes.map((tune) =>
				tune.id === second.id
					? { ...tune, chart: 'title: Newer there\n| F |', updatedAt: '2031-01-01T00:00:00.000Z' }
					: tune
			)
		};
		const shown = await previewRestore(other, await read(later), 'merge');
		expect(shown.tunes).toEqual({ added: 0, changed: 2, kept: 6, removed: 0 });
		expect(await restore(other, await read(later), 'merge')).toEqual({ ...shown, stored: true });
		const now = await makeBackup(other);
		const titles = new Map(now.tunes.map(({ id, title }) => [id, title]));
		expect(titles.get(first.id)).toBe('Newer here');
		expect(titles.get(second.id)).toBe('Newer there');
		expect(titles.get(third.id)).toBe(third.title);
		expect(titles.get(mine.id)).toBe('Mine');
		expect(now.takes).toHaveLength(small.takes.length);
		// Replaced, nothing but the file is left.
		expect((await previewRestore(other, await read(small), 'replace')).tunes.removed).toBe(1);
		await restore(other, await read(small), 'replace');
		expect(told(await makeBackup(other))).toEqual(told(small));
	});

	it('that breaks in the middle changes nothing', async () => {
		const before = await makeBackup(other);
		const [take] = small.takes;
		const broken = await read({ ...small, takes: [take] });
		appendFileSync(`${broken.path}.take`, readFileSync(`${broken.path}.take`));
		await expect(restore(other, broken, 'replace')).rejects.toThrow();
		expect(told(await makeBackup(other))).toEqual(told(before));
	});

	it.each<[string, (copy: BackupDocument) => unknown, RegExp]>([
		['a newer version', (copy) => ({ ...copy, formatVersion: 99 }), /newer Arc Step/],
		['a field too many', (copy) => ({ ...copy, more: 1 }), /more/],
		[
			'a route without its tune',
			(copy) => ({ ...copy, tunes: copy.tunes.slice(1), sets: [], cards: [], takes: [] }),
			/no such tune/
		],
		['a take without its card', (copy) => ({ ...copy, cards: [] }), /no such card/],
		['an id twice', (copy) => ({ ...copy, tunes: [...copy.tunes, copy.tunes[0]] }), /twice/],
		[
			'a tempo that is none',
			(copy) => ({ ...copy, cards: copy.cards.map((card) => ({ ...card, tempo: 1e9 })) }),
			/300/
		],
		['a list', () => [], /no backup/]
	])('with %s is refused', async (_, change, why) => {
		const path = fileOf(JSON.stringify(change(structuredClone(backup))));
		const found = await readBackup(path, false);
		const first = 'error' in found && 'issues' in found.error ? found.error.issues[0].message : '';
		expect(first).toMatch(why);
	});

	it('that is no JSON is refused as such', async () => {
		const whole = JSON.stringify(backup);
		for (const content of ['', '{', '{"tunes":', whole.slice(0, -1), `${whole}x`, '\0\0', '[[[[']) {
			expect(await readBackup(fileOf(content), false), content.slice(0, 20)).toMatchObject({
				error: { kind: /^\[/.test(content) ? 'broken' : 'no-json' }
			});
		}
		const found = await readBackup(fileOf(new Uint8Array([0xff, 0xfe, 1])), false);
		expect(found).toMatchObject({ error: { kind: 'no-json' } });
		expect(await readBackup(fileOf(whole), true)).toMatchObject({ error: { kind: 'no-json' } });
	});

	it('is read packed, and whatever the order of its fields', async () => {
		const turned = Object.fromEntries(Object.entries(backup).reverse());
		const path = fileOf(gzipSync(JSON.stringify(turned, null, 1)));
		await restore(other, { path, index: must(await readBackup(path, true)) }, 'replace');
		expect(told(await makeBackup(other))).toEqual(told(backup));
	});

	it('that was written while the notebook changed names nothing that is not there', async () => {
		const book = await notebook();
		await restore(book, await read(backup), 'replace');
		let text = '';
		for await (const part of backupText(book)) {
			text += part;
			if (part.includes('"tunes"')) await deleteTune(book, backup.tunes[0].id);
		}
		await restore(book, await read(JSON.parse(text)), 'replace');
	});
});
