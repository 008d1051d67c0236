import { STARTING_MOTIFS } from '$core/phrase';
import type { MotifRecord } from '../api/notebook-schema';
import { NO_ANCHORS, NO_LINE } from '../api/route-defaults';
import { sql } from 'drizzle-orm';
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openEmbedded, type Database } from './database';
import {
	checkInstrument,
	createInstrument,
	deleteInstrument,
	getPlayer,
	listInstruments,
	updateInstrument,
	updatePlayer
} from './instruments';
import { FolderInUse, lockFolder } from './lock';
import { createMotif, deleteMotif, getMotif, listMotifs, updateMotif } from './motifs';
import { getTunePage } from './tune-page';
import { createRoute, deleteRoute, getRoute, listRoutes, updateRoute } from './routes';
import {
	checkChartSize,
	createSet,
	createTune,
	deleteTune,
	getTune,
	listTunes,
	notebook,
	purgeDeleted,
	restoreTune,
	updateTune
} from './tunes';

const scratch = mkdtempSync(join(tmpdir(), 'arc-step-unit-'));
afterAll(() => rmSync(scratch, { recursive: true, force: true }));
const folder = (name: string): string => {
	const path = join(scratch, name);
	mkdirSync(path, { recursive: true });
	return path;
};

describe('the lock of a data folder', () => {
	it('is exclusive, by whatever path, and can be given back', async () => {
		const real = folder('locked');
		const other = join(scratch, 'alias');
		symlinkSync(real, other);
		const unlock = await lockFolder(real);
		await expect(lockFolder(real)).rejects.toBeInstanceOf(FolderInUse);
		await expect(lockFolder(other)).rejects.toThrow(/in use by another Arc Step process/);
		const elsewhere = await lockFolder(folder('free'));
		await elsewhere();
		await unlock();
		await (
			await lockFolder(real)
		)();
	});

	it('vanishes with a killed process', async () => {
		const real = folder('killed');
		const { dev, ino } = (await import('node:fs')).statSync(real, { bigint: true });
		const hash = (await import('node:crypto'))
			.createHash('sha256')
			.update(`${dev}:${ino}`)
			.digest('hex');
		const name = `arc-step-${hash.slice(0, 24)}`;
		if (process.platform !== 'linux') return;
		const script = `require('node:net').createServer().listen('\\0${name}', () => console.log('held'))`;
		const child = spawn(process.execPath, ['-e', script]);
		await new Promise((resolve) => child.stdout.once('data', resolve));
		await expect(lockFolder(real)).rejects.toBeInstanceOf(FolderInUse);
		const gone = new Promise((resolve) => child.once('exit', resolve));
		child.kill('SIGKILL');
		await gone;
		await (
			await lockFolder(real)
		)();
	});
});

describe('the notebook in the embedded database', () => {
	const path = join(scratch, 'deep', 'data');
	let db: Database;
	let close: () => Promise<void>;
	beforeAll(async () => {
		({ db, close } = await openEmbedded(path));
	}, 60_000);
	afterAll(() => close());

	const plan = { cost: 1, changes: 1, targets: [], notes: [] };
	const wishes = {
		name: 'A',
		position: 5,
		style: 'roots' as const,
		line: NO_LINE,
		anchors: NO_ANCHORS
	};

	it('keeps charts as they are and reads what lists show', async () => {
		const tune = await createTune(
			db,
			'title: One\nkey: Bb blues\ntempo: 90\n[A x2]\n| Bb7 | ??? |'
		);
		expect(tune).toMatchObject({ title: 'One', key: 'Bb blues', tempo: 90, bars: 4, version: 1 });
		const rubbish = await createTune(db, '💥 no chart at all');
		expect(rubbish).toMatchObject({ title: 'Untitled tune', key: '', bars: 0 });
		expect((await getTune(db, rubbish.id))?.chart).toBe('💥 no chart at all');
		expect((await listTunes(db)).map((entry) => entry.id)).toEqual([tune.id, rubbish.id]);
	});

	it('refuses a stale save and overwrites nothing', async () => {
		const tune = await createTune(db, '| C |');
		expect(await updateTune(db, tune.id, '| F |', 1)).toMatchObject({ version: 2, chart: '| F |' });
		expect(await updateTune(db, tune.id, '| G |', 1)).toBeNull();
		expect(await getTune(db, tune.id)).toMatchObject({ version: 2, chart: '| F |' });
		const route = await createRoute(db, tune.id, wishes, plan, 2);
		expect(await updateRoute(db, route.id, { ...wishes, position: 7 }, plan, 2, 1)).toMatchObject({
			version: 2
		});
		expect(await updateRoute(db, route.id, wishes, plan, 2, 1)).toBeNull();
		expect((await getRoute(db, route.id))?.route.position).toBe(7);
	});

	it('brings a deleted tune back with its routes until it is purged', async () => {
		const tune = await createTune(db, '| C |');
		const route = await createRoute(db, tune.id, wishes, plan, 1);
		expect(await deleteTune(db, tune.id)).toBe(true);
		expect(await deleteTune(db, tune.id)).toBe(false);
		expect(await getTune(db, tune.id)).toBeNull();
		expect(await getRoute(db, route.id)).toBeNull();
		expect(await restoreTune(db, tune.id)).toMatchObject({ id: tune.id });
		expect(await listRoutes(db, tune.id)).toHaveLength(1);
		await deleteTune(db, tune.id);
		await purgeDeleted(db);
		expect(await restoreTune(db, tune.id)).toBeNull();
		expect(await deleteRoute(db, route.id)).toBe(false);
	});

	it('lists sets in order with where each tune is planned', async () => {
		const [b, a] = [
			await createTune(db, 'title: B\n| C |'),
			await createTune(db, 'title: A\n| C |')
		];
		await createRoute(db, a.id, wishes, plan, 1);
		await createSet(db, 'Evening', 'two tunes', [a.id, b.id]);
		const rows = await notebook(db);
		expect(rows.slice(0, 2).map((row) => [row.title, row.set?.name])).toEqual([
			['A', 'Evening'],
			['B', 'Evening']
		]);
		expect(rows[0].routes).toMatchObject([{ position: 5, landed: 0, changes: 1 }]);
		expect(rows.slice(2).every((row) => row.set === null)).toBe(true);
	});

	it('checks sizes in bytes', () => {
		expect(checkChartSize('x'.repeat(65_536))).toEqual([]);
		expect(checkChartSize('♭'.repeat(30_000))[0].message).toContain('90000 bytes');
	});

	it('refuses what breaks a constraint', async () => {
		await expect(db.execute(sql`update tune set tempo = 5`)).rejects.toThrow();
		await expect(db.execute(sql`update route set style = 'polka'`)).rejects.toThrow();
	});

	it('keeps own instruments by version, and the player once', async () => {
		const record = {
			...{ name: 'Wide seven', tuning: 'B1 E2 A2 D3 G3 B3 E4', frets: 24 },
			...{ scaleLengthMm: 686, leftHanded: true, labels: null }
		};
		const made = await createInstrument(db, record);
		expect(made).toMatchObject({ ...record, version: 1 });
		const shorter = { ...record, frets: 22 };
		expect(await updateInstrument(db, made.id, shorter, 1)).toMatchObject({
			frets: 22,
			version: 2
		});
		expect(await updateInstrument(db, made.id, record, 1)).toBeNull();
		expect(await listInstruments(db)).toMatchObject([{ id: made.id, frets: 22 }]);
		expect(checkInstrument(record)).toEqual([]);
		expect(checkInstrument({ ...record, labels: ['B', 'E'] })[0].message).toContain('7 strings');

		expect(await getPlayer(db)).toEqual({ handMm: 105, scales: [], version: 1 });
		const scales = [{ name: 'Night ferry', degrees: '1 2 b3 5 6' }];
		expect(await updatePlayer(db, { handMm: 92, scales }, 1)).toMatchObject({ version: 2 });
		expect(await updatePlayer(db, { handMm: 120, scales: [] }, 1)).toBeNull();
		expect(await getPlayer(db)).toEqual({ handMm: 92, scales, version: 2 });
		await expect(db.execute(sql`update player set hand_mm = 5`)).rejects.toThrow();
		await expect(db.execute(sql`update instrument set frets = 60`)).rejects.toThrow();

		const gone = await createInstrument(db, { ...record, name: 'Lent' });
		expect(await deleteInstrument(db, gone.id)).toBe(true);
		expect(await deleteInstrument(db, gone.id)).toBe(false);
	});

	it('gives a tune’s page in one query, the same as piece by piece', async () => {
		await createInstrument(db, {
			...{ name: 'Own', tuning: 'D2 A2 D3 G3 A3 D4', frets: 21, scaleLengthMm: 628 },
			...{ leftHanded: false, labels: ['D', 'A', 'd', 'g', 'a', 'd'] }
		});
		for (const { id } of await listTunes(db)) {
			expect(await getTunePage(db, id)).toEqual({
				tune: await getTune(db, id),
				routes: await listRoutes(db, id),
				instruments: await listInstruments(db),
				player: await getPlayer(db)
			});
		}
		expect(await getTunePage(db, '00000000-0000-4000-8000-000000000000')).toBeNull();
	});

	it('begins with six motifs, and keeps those that are changed and deleted', async () => {
		const first = await listMotifs(db);
		expect(first.map(({ name, motif }) => ({ name, motif }))).toEqual(STARTING_MOTIFS);
		const own = { name: 'Short Plank', motif: STARTING_MOTIFS[1].motif as MotifRecord['motif'] };
		const made = await createMotif(db, own);
		const renamed = { ...own, name: 'Long Plank' };
		expect(await updateMotif(db, made.id, renamed, 1)).toMatchObject({ ...renamed, version: 2 });
		expect(await updateMotif(db, made.id, own, 1)).toBeNull();
		expect(await deleteMotif(db, first[5].id)).toBe(true);
		expect(await getMotif(db, first[5].id)).toBeNull();
		expect((await listMotifs(db)).map((motif) => motif.name)).toEqual([
			...STARTING_MOTIFS.slice(0, 5).map((motif) => motif.name),
			'Long Plank'
		]);
	});

	it('is all there after closing and opening again, and is held while open', async () => {
		await expect(openEmbedded(path)).rejects.toBeInstanceOf(FolderInUse);
		const all = async () => [
			await notebook(db),
			await listInstruments(db),
			await getPlayer(db),
			await listMotifs(db)
		];
		const before = await all();
		await close();
		({ db, close } = await openEmbedded(path));
		expect(await all()).toEqual(before);
	}, 60_000);
});
