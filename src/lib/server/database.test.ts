import { NO_LINE, NO_ANCHORS } from '../api/route-schema';
import { STARTING_MOTIFS } from '$core/phrase';
import type { MotifRecord } from '../api/notebook-schema';
import { addDays } from 'date-fns';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readTune } from '../api/tune-reading';
import type { Database } from './database';
import {
	checkInstrument,
	createInstrument,
	getInstrument,
	getPlayer,
	listInstruments,
	updateInstrument,
	updatePlayer
} from './instruments';
import { createMotif, getMotif, listMotifs, updateMotif } from './motifs';
import { createSet, checkSet, getSet, listSets, updateSet } from './sets';
import { newNotebook, SERVER } from './test-database';
import { bringBack, throwAway } from './trash';
import { getTunePage } from './tune-page';
import { createRoute, getRoute, listRoutes, updateRoute } from './routes';
import {
	checkChartSize,
	createTune,
	deleteTune,
	getTune,
	listTunes,
	notebook,
	purgeDeleted,
	restoreTune,
	updateTune
} from './tunes';

describe(`the notebook ${SERVER ? 'on a server' : 'in the embedded database'}`, () => {
	let book: Awaited<ReturnType<typeof newNotebook>>;
	let db: Database;
	let close: () => Promise<void>;
	beforeAll(async () => {
		book = await newNotebook();
		({ db, close } = await book.open());
	});
	afterAll(async () => {
		await close();
		await book.remove();
	});

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
			readTune('title: One\nkey: Bb blues\ntempo: 90\n[A x2]\n| Bb7 | ??? |')
		);
		expect(tune).toMatchObject({ title: 'One', key: 'Bb blues', tempo: 90, bars: 4, version: 1 });
		const rubbish = await createTune(db, readTune('💥 no chart at all'));
		expect(rubbish).toMatchObject({ title: 'Untitled tune', key: '', bars: 0 });
		expect((await getTune(db, rubbish.id))?.chart).toBe('💥 no chart at all');
		expect((await listTunes(db)).map((entry) => entry.id)).toEqual([tune.id, rubbish.id]);
	});

	it('refuses a stale save and overwrites nothing', async () => {
		const tune = await createTune(db, readTune('| C |'));
		expect(await updateTune(db, tune.id, readTune('| F |'), 1)).toMatchObject({
			version: 2,
			chart: '| F |'
		});
		expect(await updateTune(db, tune.id, readTune('| G |'), 1)).toBeNull();
		expect(await getTune(db, tune.id)).toMatchObject({ version: 2, chart: '| F |' });
		const route = await createRoute(db, tune.id, wishes, plan, 2);
		expect(await updateRoute(db, route.id, { ...wishes, position: 7 }, plan, 2, 1)).toMatchObject({
			version: 2
		});
		expect(await updateRoute(db, route.id, wishes, plan, 2, 1)).toBeNull();
		expect((await getRoute(db, route.id))?.route.position).toBe(7);
	});

	it('brings a deleted tune back with its routes until it is purged', async () => {
		const tune = await createTune(db, readTune('| C |'));
		const route = await createRoute(db, tune.id, wishes, plan, 1);
		expect(await deleteTune(db, tune.id)).toBe(true);
		expect(await deleteTune(db, tune.id)).toBe(false);
		expect(await getTune(db, tune.id)).toBeNull();
		expect(await getRoute(db, route.id)).toBeNull();
		expect(await restoreTune(db, tune.id)).toMatchObject({ id: tune.id });
		expect(await listRoutes(db, tune.id)).toHaveLength(1);
		await deleteTune(db, tune.id);
		await purgeDeleted(db);
		expect(await restoreTune(db, tune.id)).toMatchObject({ id: tune.id });
		await deleteTune(db, tune.id);
		await purgeDeleted(db, addDays(new Date(), 2));
		expect(await restoreTune(db, tune.id)).toBeNull();
		expect(await throwAway(db, 'route', route.id)).toBe(false);
	});

	it('lists tunes with where each is planned', async () => {
		const tune = await createTune(db, readTune('title: A\n| C |'));
		await createRoute(db, tune.id, wishes, plan, 1);
		const row = (await notebook(db)).find(({ id }) => id === tune.id);
		expect(row?.routes).toMatchObject([{ position: 5, landed: 0, changes: 1 }]);
	});

	it('keeps sets in playing order, by version, each tune once', async () => {
		const tunes = [];
		for (const title of ['A', 'B', 'C']) {
			tunes.push(await createTune(db, readTune(`title: ${title}\n| C |`)));
		}
		const [a, b, c] = tunes.map(({ id }) => id);
		const input = { name: 'Evening', note: 'three tunes', tuneIds: [c, a, b] };
		const made = await createSet(db, input);
		expect(made).toMatchObject({ ...input, version: 1 });
		expect(await getSet(db, made.id)).toEqual(made);
		const empty = await createSet(db, { name: 'Later', note: '', tuneIds: [] });
		expect((await listSets(db)).map(({ id, tuneIds }) => [id, tuneIds])).toEqual([
			[made.id, [c, a, b]],
			[empty.id, []]
		]);
		expect(await checkSet(db, input)).toEqual([]);
		const wrong = await checkSet(db, { ...input, tuneIds: [a, made.id, a] });
		expect(wrong.map(({ path }) => path)).toEqual(['tuneIds.1', 'tuneIds.2']);

		const moved = { ...input, tuneIds: [a, b, c] };
		expect(await updateSet(db, made.id, moved, 1)).toMatchObject({ ...moved, version: 2 });
		expect(await updateSet(db, made.id, input, 1)).toBeNull();
		expect(await getSet(db, made.id)).toMatchObject({ ...moved, version: 2 });

		// A tune that is deleted meanwhile is not shown, but not lost from the set either.
		await deleteTune(db, a);
		expect(await getSet(db, made.id)).toMatchObject({ tuneIds: [b, c] });
		await updateSet(db, made.id, { ...input, tuneIds: [c, b] }, 2);
		await restoreTune(db, a);
		expect(await getSet(db, made.id)).toMatchObject({ tuneIds: [c, b, a] });
	});

	it('brings back what was deleted exactly as it was', async () => {
		const tune = await createTune(db, readTune('title: Back\n| C |'));
		const route = await createRoute(db, tune.id, wishes, plan, 1);
		const set = await createSet(db, { name: 'Back', note: 'n', tuneIds: [tune.id] });
		const motif = await createMotif(db, {
			name: 'Back',
			motif: STARTING_MOTIFS[0].motif as MotifRecord['motif']
		});
		const guitar = await createInstrument(db, {
			...{ name: 'Back', tuning: 'E2 A2 D3 G3 B3 E4', frets: 22, scaleLengthMm: 648 },
			...{ leftHanded: false, labels: null }
		});
		const all = async () => [
			(await getRoute(db, route.id))?.route,
			await getSet(db, set.id),
			await getMotif(db, motif.id),
			await getInstrument(db, guitar.id)
		];
		const before = await all();
		const things = [
			['route', route.id],
			['set', set.id],
			['motif', motif.id],
			['instrument', guitar.id]
		] as const;
		for (const [kind, id] of things) {
			expect(await bringBack(db, kind, id)).toBe(false);
			expect(await throwAway(db, kind, id)).toBe(true);
			expect(await throwAway(db, kind, id)).toBe(false);
		}
		expect((await all()).map((found) => found ?? null)).toEqual([null, null, null, null]);
		for (const [kind, id] of things) expect(await bringBack(db, kind, id)).toBe(true);
		expect(await all()).toEqual(before);
		for (const [kind, id] of things) expect(await bringBack(db, kind, id)).toBe(false);

		// Without its tune a route has nowhere to come back to, and a set comes back shorter.
		for (const [kind, id] of things.slice(0, 2)) await throwAway(db, kind, id);
		await db.execute(sql`delete from tune where id = ${tune.id}`);
		expect(await bringBack(db, 'route', route.id)).toBe(false);
		expect(await bringBack(db, 'set', set.id)).toBe(true);
		expect(await getSet(db, set.id)).toMatchObject({ tuneIds: [] });
		await throwAway(db, 'motif', motif.id);
		await throwAway(db, 'instrument', guitar.id);
		await purgeDeleted(db, addDays(new Date(), 2));
		expect(await bringBack(db, 'motif', motif.id)).toBe(false);
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
		expect(await throwAway(db, 'instrument', gone.id)).toBe(true);
		expect(await throwAway(db, 'instrument', gone.id)).toBe(false);
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
		expect(await throwAway(db, 'motif', first[5].id)).toBe(true);
		expect(await getMotif(db, first[5].id)).toBeNull();
		expect((await listMotifs(db)).map((motif) => motif.name)).toEqual([
			...STARTING_MOTIFS.slice(0, 5).map((motif) => motif.name),
			'Long Plank'
		]);
	});

	it('is all there after closing and opening again', async () => {
		const all = async () => [
			await notebook(db),
			await listSets(db),
			await listInstruments(db),
			await getPlayer(db),
			await listMotifs(db)
		];
		const before = await all();
		await close();
		({ db, close } = await book.open());
		expect(await all()).toEqual(before);
	});
});
