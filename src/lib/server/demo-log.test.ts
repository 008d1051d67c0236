import { LONG } from '$core/test-runs';
import { addDays } from 'date-fns';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import type { LogFilter } from '../api/log-page';
import { readTune } from '../api/tune-reading';
import type { Database } from './database';
import { loadDemoLog } from './demo-log';
import { DEMO_TUNES } from './demo-tunes';
import { getHabits, getLog, getPair } from './log';
import { lastWeeks, practiceByTune, practisedCards, today } from './practice';
import { rowsIn } from './tables';
import { getTakes, updateTake } from './takes';
import { newNotebook } from './test-database';
import { createTune, deleteTune, listTunes, purgeDeleted } from './tunes';

/** How often the demo’s log is laid behind itself: `VITE_LONG=1` makes ten thousand takes of it. */
const COPIES = LONG ? '90' : '9';
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
const DAY = 86_400_000;
const ALL: LogFilter = { tune: null, place: null, key: null, sort: 'when', down: true, skip: 0 };

describe('the made-up log', () => {
	const now = new Date('2026-11-26T09:00:00');
	beforeAll(async () => {
		for (const { id } of await listTunes(db)) await deleteTune(db, id);
		await purgeDeleted(db, addDays(new Date(), 2));
		const tunes = [];
		for (const { chart } of DEMO_TUNES) tunes.push(await createTune(db, readTune(chart)));
		await loadDemoLog(db, tunes, now);
	});

	it('has six weeks of takes that were judged, and improves unevenly', async () => {
		const log = await getLog(db, ALL);
		expect(log.totals.takes).toBeGreaterThan(105);
		expect(log.totals.takes).toBeLessThan(130);
		const { first, last } = await lastWeeks(db, now);
		expect(last ?? 0).toBeGreaterThan((first ?? 1) + 0.1);
		expect(log.behind).toEqual({ place: 11, key: 'Db' });
		expect(log.series.map(({ name }) => name)).toEqual(['all takes', 'key of Db', 'position 11']);
		expect(log.series[0].shares).toHaveLength(log.weeks.length);
		expect(log.heat.every(({ landed, asked }) => landed <= asked && asked > 0)).toBe(true);
		expect(log.tempos.map(({ title }) => title)).toContain('Rope and Tar');
	});

	it('is filtered, sorted and paged', async () => {
		const all = await getLog(db, ALL);
		const [{ id: tune }] = all.choices.tunes;
		const ferry = await getLog(db, { ...ALL, tune, place: 6 });
		expect(ferry.found).toBeGreaterThan(10);
		expect(ferry.takes.every((one) => one.tuneId === tune && one.position === 6)).toBe(true);
		expect(new Set(ferry.heat.map(({ position }) => position))).toEqual(new Set([6]));
		const inDb = await getLog(db, { ...ALL, key: 'Db' });
		expect(inDb.takes.every(({ key }) => key === 'Db')).toBe(true);
		const fast = await getLog(db, { ...ALL, sort: 'tempo', down: true });
		const tempos = fast.takes.map(({ tempo }) => tempo);
		expect(tempos).toEqual([...tempos].sort((a, b) => b - a));
		const worst = await getLog(db, { ...ALL, sort: 'landed', down: false });
		expect(worst.takes[0].landed / worst.takes[0].asked).toBeLessThan(0.3);
		const next = await getLog(db, { ...ALL, skip: 50 });
		const ids = new Set([...all.takes, ...next.takes].map(({ id }) => id));
		expect(ids.size).toBe(100);
	});

	it('shows habits, and two takes of which one follows the chords', async () => {
		const habits = await getHabits(db, ALL);
		expect(habits?.title).toBe('Tin Roof Ferry');
		expect(habits?.places.length).toBeGreaterThan(3);
		// A tune that was drilled in two keys has the habits of one of them, in that key.
		const { choices } = await getLog(db, ALL);
		const lamp = choices.tunes.find(({ title }) => title === 'Ladder to the Lamp')?.id ?? null;
		expect(await getHabits(db, { ...ALL, tune: lamp })).toMatchObject({ key: 'Ab', takes: 8 });
		expect(await getHabits(db, { ...ALL, tune: lamp, key: 'Db' })).toMatchObject({ takes: 5 });
		const pair = await getPair(db);
		const takes = await getTakes(db, pair);
		const [runs, follows] = pair.map((id) => takes.find((one) => one.id === id));
		expect([runs?.note, follows?.note]).toEqual(['Runs the scale.', 'Follows the chords.']);
		expect(runs?.landed).toBeLessThan(follows?.landed ?? 0);
		// A later take with a note that stands alone does not hide them.
		const { takes: latest } = await getLog(db, ALL);
		const alone = latest.find(({ title }) => title !== 'Nettle Tea');
		await updateTake(db, alone?.id ?? '', 'Alone.', alone?.version ?? 0);
		expect(await getPair(db)).toEqual(pair);
	});

	it('knows what is due today: weak places first, no more than half an hour', async () => {
		const cards = await practisedCards(db);
		const list = today(cards, now);
		expect(list.length).toBeGreaterThanOrEqual(3);
		expect(list[0].reason).toBe('weak');
		expect(list.reduce((sum, { minutes }) => sum + minutes, 0)).toBeLessThanOrEqual(30);
		const ferry = practiceByTune(cards).get(list[0].card.tuneId);
		expect(ferry?.places.length).toBeGreaterThan(0);
		const later = today(cards, new Date(now.getTime() + 40 * DAY));
		expect(later.length).toBeGreaterThanOrEqual(4);
	});

	it('reads a long log in as many queries as a short one', async () => {
		const queries = vi.spyOn(
			(db as unknown as { $client: { query: () => unknown } }).$client,
			'query'
		);
		const counted = async (work: () => Promise<unknown>) => {
			queries.mockClear();
			await work();
			return queries.mock.calls.length;
		};
		const look = async () => [
			await counted(() => getLog(db, ALL)),
			await counted(() => practisedCards(db))
		];
		const short = await look();
		expect(Math.min(...short)).toBeGreaterThan(0);
		await db.execute(sql`
			with copies as (
				insert into take (id, tune_id, card_id, played_at, position, key, tempo, input, rule, drill, looped,
					landed, asked, clean, duration_ms, chart, events)
				select gen_random_uuid(), t.tune_id, t.card_id, t.played_at - n * interval '31 hours', t.position, t.key,
					t.tempo, t.input, t.rule, t.drill, t.looped, t.landed, t.asked, t.clean, t.duration_ms, t.chart, '[]'
				from take t cross join generate_series(1, ${sql.raw(COPIES)}) n returning id, tune_id, position, key)
			insert into take_change (take_id, loop, change, tune_id, position, key, kind, symbol, bar, result, role, error_ms)
			select c.id, 0, n, c.tune_id, c.position, c.key, (array['major', 'minor', 'dominant', 'altered'])[1 + n % 4],
				'C', 1, (array['landed', 'late', 'landed'])[1 + n % 3], 'R', 0
			from copies c cross join generate_series(0, 12) n`);
		const [{ n }] = rowsIn<{ n: number }>(
			await db.execute(sql`select count(*)::int as n from take`)
		);
		expect(n).toBeGreaterThan(100 * Number(COPIES));
		expect(await look()).toEqual(short);
		expect((await getLog(db, ALL)).takes).toHaveLength(50);
		queries.mockRestore();
	});
});
