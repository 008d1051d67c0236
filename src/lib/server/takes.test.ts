import { instrumentOf } from '$core/neck';
import { drillOf, inKey, judge } from '$core/practice';
import { addDays } from 'date-fns';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { LogFilter } from '../api/log-page';
import { type CardDrill, cardInput, takeInput, type TakeInput } from '../api/practice-schema';
import { drillIssues, firstTimeThrough, runTake } from '../api/take';
import { readTune } from '../api/tune-reading';
import type { Database } from './database';
import { getHabits, getLog } from './log';
import { practiceByTune, practisedCards, today } from './practice';
import { rowsIn } from './tables';
import { cardsOf, getTakes, keepCard, restCard, storeTake, updateTake } from './takes';
import { newNotebook } from './test-database';
import { bringBack, throwAway } from './trash';
import { createTune, deleteTune, purgeDeleted } from './tunes';
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

const CHART = 'title: Slip Line\nkey: C\ntempo: 100\n| Dm7 | G7 | Cmaj7 | A7 |\n';
const NOON = new Date('2026-03-02T12:00:00Z');
const DAY = 86_400_000;

const drillFor = (change: Partial<CardDrill> = {}): CardDrill => {
	const { chart } = inKey(CHART, change.key ?? null);
	const ladder = { start: 80, step: 10, ceiling: 100, up: 1 };
	const made = drillOf('free', chart, { position: 5, key: null }, ladder);
	return { ...made, loops: 1, ...change };
};
/** Thirds on every change, `missed` of them left out. */
function takeOf(tuneId: string, change: Partial<TakeInput> = {}, missed = 0): TakeInput {
	const tempo = change.tempo ?? 80;
	const bar = 240_000 / tempo;
	const events = [65, 71, 64, 61].slice(missed).map((midi, i) => ({
		timeMs: (i + missed) * bar + 8,
		durationMs: 300,
		midi
	}));
	return {
		tuneId,
		drill: drillFor(),
		looped: null,
		tempo,
		input: 'midi',
		loops: 1,
		events,
		grade: null,
		durationMs: Math.round(4 * bar),
		day: '2026-03-02',
		...change
	};
}
async function store(tuneId: string, change: Partial<TakeInput> = {}, missed = 0, at = NOON) {
	const take = takeOf(tuneId, change, missed);
	expect(takeInput.safeParse(take).error).toBeUndefined();
	const judged = runTake({ chart: CHART, title: 'Slip Line', take, own: [] });
	if ('error' in judged) throw new Error(judged.error[0].message);
	return storeTake(db, take, { judged: judged.value, chart: CHART, own: [] }, at);
}

describe('takes and cards', () => {
	it('stores a take with its changes; the card climbs, and comes back later', async () => {
		const { id } = await createTune(db, readTune(CHART));
		const first = await store(id);
		expect(first.take).toMatchObject({ landed: 4, asked: 4, clean: true, key: 'C', biasMs: 8 });
		expect(first.card).toMatchObject({ tempo: 90, cleanInRow: 0, position: 5, key: '' });
		expect(new Date(first.card.due).getTime()).toBeGreaterThan(NOON.getTime());
		const rows = rowsIn<{ kind: string; result: string; role: string }>(
			await db.execute(
				sql`select * from take_change where take_id = ${first.take.id} order by change`
			)
		);
		expect(rows.map(({ kind }) => kind)).toEqual(['minor', 'dominant', 'major', 'dominant']);
		expect(rows.every(({ result }) => result === 'landed')).toBe(true);
		const second = await store(id, { tempo: 90 }, 1);
		expect(second.take).toMatchObject({ landed: 3, clean: false });
		expect(second.card.tempo).toBe(80);
		const [kept] = await getTakes(db, [second.take.id]);
		expect(kept.events).toHaveLength(3);
		expect(kept.pass).toEqual({ looped: null, loops: 1 });
		expect(kept.chart).toBe(CHART);
	});

	it('leaves ladder and schedule alone where only a part was played', async () => {
		const { id } = await createTune(db, readTune(CHART));
		const { card: before } = await store(id);
		const loop = await store(id, { looped: { from: 1, to: 3 }, tempo: 90 }, 3);
		expect(loop.take).toMatchObject({ looped: true });
		expect(loop.card).toMatchObject({ tempo: before.tempo, due: before.due });
		const stopped = await store(id, { untilMs: 5000, tempo: 90 });
		expect(stopped.take).toMatchObject({ looped: true, asked: 2, landed: 2 });
		expect(stopped.card).toMatchObject({ tempo: before.tempo, due: before.due });
	});

	it('keeps how a take was played, so that it can be judged anew', async () => {
		const { id } = await createTune(db, readTune(CHART));
		const range = { from: 1, to: 3 };
		const part = takeOf(id, { looped: range, loops: 2, latencyMs: 40, toleranceMs: 90 });
		// G7 and C, the second time through a little late; the input tells everything 40 ms late.
		const events = [71, 64, 71, 64].map((midi, i) => ({
			timeMs: i * 3000 + (i < 2 ? 5 : 75) + 40,
			durationMs: 300,
			midi
		}));
		const { take: kept } = await store(id, { ...part, events });
		expect(kept).toMatchObject({ landed: 4, asked: 4, looped: true });
		const [found] = await getTakes(db, [kept.id]);
		expect(found.pass).toEqual({ looped: range, loops: 2, toleranceMs: 90 });
		const { chart } = inKey(CHART, null);
		const again = judge(firstTimeThrough(found, chart, instrumentOf(chart).instrument));
		expect(again.changes.map(({ result, errorMs }) => [result, errorMs])).toEqual([
			['landed', 5],
			['landed', 5]
		]);
	});

	it('takes the player’s own word for it', async () => {
		const { id } = await createTune(db, readTune(CHART));
		const hand = { input: 'hand', grade: 'clean', events: [] } as const;
		const { take, card } = await store(id, { ...hand, events: [] });
		expect(take).toMatchObject({ grade: 'clean', asked: 0, clean: true });
		expect(card.tempo).toBe(90);
		expect(takeInput.safeParse(takeOf(id, { grade: 'clean' })).success).toBe(false);
		expect(takeInput.safeParse(takeOf(id, { input: 'hand' })).success).toBe(false);
	});

	it('leads on to the next place, then to the next key, once a place is sure', async () => {
		const { id } = await createTune(db, readTune(CHART));
		await store(id, { tempo: 100 });
		const places = (await cardsOf(db, id)).map(({ position, key }) => `${position}${key}`);
		expect(places).toHaveLength(2);
		expect(places).toContain('5');
		const other = (await cardsOf(db, id)).find(({ position }) => position !== 5);
		if (!other) throw new Error('no second place');
		await store(id, { tempo: 100, drill: other.drill });
		const cards = await cardsOf(db, id);
		expect(cards.map(({ key }) => key)).toContain('F');
		const inF = cards.find(({ key }) => key === 'F');
		expect(inF).toMatchObject({ position: other.position, tempo: 80 });
		expect(cardInput.safeParse({ tuneId: id, drill: inF?.drill }).success).toBe(true);
	});

	it('keeps the rung when a drill is changed, unless the ladder leaves it out', async () => {
		const { id } = await createTune(db, readTune(CHART));
		await store(id);
		const same = await keepCard(db, id, drillFor({ loops: 2 }));
		expect(same).toMatchObject({ tempo: 90, drill: { loops: 2 } });
		const ladder = { start: 40, step: 5, ceiling: 60, up: 2 };
		expect(await keepCard(db, id, drillFor({ ladder }))).toMatchObject({ tempo: 40 });
	});

	it('lets a drill rest: not due, its takes kept, and back with the next take', async () => {
		const { id } = await createTune(db, readTune(CHART));
		const { take, card } = await store(id, {}, 3);
		const due = async () =>
			today(await practisedCards(db), new Date(NOON.getTime() + 90 * DAY)).some(
				(item) => item.card.id === card.id
			);
		expect(await due()).toBe(true);
		expect(await restCard(db, card.id)).toBe(true);
		expect(await due()).toBe(false);
		expect(practiceByTune(await practisedCards(db)).get(id)).toMatchObject({ due: null });
		expect(await getTakes(db, [take.id])).toHaveLength(1);
		await store(id, {}, 3);
		expect(await due()).toBe(true);
		await restCard(db, card.id);
		expect((await keepCard(db, id, drillFor(), NOON)).id).toBe(card.id);
		expect(await due()).toBe(true);
		expect(await restCard(db, '00000000-0000-4000-8000-00000000dead')).toBe(false);
	});

	it('guards notes by version and deletes a take with its changes', async () => {
		const { id } = await createTune(db, readTune(CHART));
		const { take } = await store(id);
		const noted = await updateTake(db, take.id, 'F at fret 8', take.version);
		expect(noted).toMatchObject({ note: 'F at fret 8', version: 2 });
		expect(await updateTake(db, take.id, 'stale', take.version)).toBeNull();
		const changes = async () =>
			rowsIn(
				await db.execute(sql`select * from take_change where take_id = ${take.id}
				order by loop, change`)
			);
		const before = { take: await getTakes(db, [take.id]), changes: await changes() };
		expect(await throwAway(db, 'take', take.id)).toBe(true);
		expect(await bringBack(db, 'take', take.id)).toBe(true);
		expect({ take: await getTakes(db, [take.id]), changes: await changes() }).toEqual(before);
		expect(await throwAway(db, 'take', take.id)).toBe(true);
		const left = rowsIn(
			await db.execute(sql`select 1 from take_change where take_id = ${take.id}`)
		);
		expect(left).toEqual([]);
	});

	it('says what is wrong with a drill', () => {
		const wrong = (change: Partial<CardDrill>) =>
			drillIssues(CHART, drillFor(change), []).map(({ path }) => path);
		expect(wrong({})).toEqual([]);
		expect(wrong({ range: { from: 0, to: 9 } })).toEqual(['drill.range']);
		expect(wrong({ position: 22 })).toEqual(['drill.position']);
		expect(wrong({ rules: { restBars: [7] } })).toEqual(['drill.rules.restBars.0']);
	});

	it('goes with its tune', async () => {
		const { id } = await createTune(db, readTune(CHART));
		const { take } = await store(id);
		const own = { ...ALL, tune: id };
		expect((await getLog(db, own)).totals.takes).toBe(1);
		await deleteTune(db, id);
		// Deleted, it is in no figure of the log, though it can still be brought back.
		expect(await getLog(db, own)).toMatchObject({ found: 0, takes: [], weeks: [], heat: [] });
		expect(await getHabits(db, own)).toBeNull();
		expect((await practisedCards(db)).some(({ tuneId }) => tuneId === id)).toBe(false);
		await purgeDeleted(db, addDays(new Date(), 2));
		expect(await getTakes(db, [take.id])).toEqual([]);
	});
});

const ALL: LogFilter = { tune: null, place: null, key: null, sort: 'when', down: true, skip: 0 };
