import { rowsIn } from './tables';
import { instrumentOf } from '$core/neck';
import { CHORD_KINDS, habitsOf, inKey, type ChordKind } from '$core/practice';
import { and, asc, desc, eq, inArray, sql, type SQL } from 'drizzle-orm';
import type { Log, LogFilter, LogTake, Series, TuneHabits, Week } from '../api/log-page';
import type { Database } from './database';
import { listInstruments } from './instruments';
import {} from './practice';
import { take, takeChange, tune } from './schema';
import { takeSummaryOf } from './takes';

/** Takes that are shown at a time. */
const PAGE = 50;

type Columns = { tuneId: unknown; position: unknown; key: unknown };

/** What a filter leaves of takes or changes; those of deleted tunes are left out. */
const wheres = (filter: LogFilter, columns: Columns): SQL =>
	and(
		sql`${columns.tuneId} in (select id from ${tune} where deleted_at is null)`,
		filter.tune === null ? undefined : sql`${columns.tuneId} = ${filter.tune}`,
		filter.place === null ? undefined : sql`${columns.position} = ${filter.place}`,
		filter.key === null ? undefined : sql`${columns.key} = ${filter.key}`
	) ?? sql`true`;

type WeekRow = {
	week: string;
	position: number;
	key: string;
	takes: number;
	landed: number;
	asked: number;
	ms: number;
};

/** A key or a place counts from so many takes on; less says nothing. */
const ENOUGH = 4;

const WEEK = 7 * 86_400_000;

/** Sums rows up by week. */
function byWeek(rows: readonly WeekRow[], begins: readonly number[]): Week[] {
	return begins.map((at) => {
		const own = rows.filter((row) => new Date(row.week).getTime() === at);
		const asked = own.reduce((sum, row) => sum + row.asked, 0);
		return {
			begins: at,
			takes: own.reduce((sum, row) => sum + row.takes, 0),
			share: asked === 0 ? null : own.reduce((sum, row) => sum + row.landed, 0) / asked,
			minutes: own.reduce((sum, row) => sum + row.ms, 0) / 60_000
		};
	});
}

/** What lands least among the values of a column, of those that were played enough; null among fewer than two. */
function weakest<T extends string | number>(
	rows: readonly WeekRow[],
	of: (row: WeekRow) => T
): T | null {
	const sums = new Map<T, { takes: number; landed: number; asked: number }>();
	for (const row of rows) {
		const sum = sums.get(of(row)) ?? { takes: 0, landed: 0, asked: 0 };
		sum.takes += row.takes;
		sum.landed += row.landed;
		sum.asked += row.asked;
		sums.set(of(row), sum);
	}
	const known = [...sums]
		.filter(([, { takes, asked }]) => takes >= ENOUGH && asked > 0)
		.map(([value, { landed, asked }]) => ({ value, share: landed / asked }))
		.sort((a, b) => a.share - b.share);
	return known.length < 2 ? null : known[0].value;
}

/** A page of the takes that a filter leaves, from its `skip` on, in its order. */
export async function takesOf(db: Database, filter: LogFilter): Promise<LogTake[]> {
	const order = {
		when: take.playedAt,
		tune: tune.title,
		place: take.position,
		key: take.key,
		tempo: take.tempo,
		landed: sql`case when ${take.asked} = 0 then 0 else ${take.landed}::real / ${take.asked} end`
	}[filter.sort];
	const rows = await db
		.select({
			title: tune.title,
			take: {
				id: take.id,
				tuneId: take.tuneId,
				cardId: take.cardId,
				playedAt: take.playedAt,
				position: take.position,
				key: take.key,
				tempo: take.tempo,
				input: take.input,
				rule: take.rule,
				looped: take.looped,
				landed: take.landed,
				asked: take.asked,
				clean: take.clean,
				grade: take.grade,
				biasMs: take.biasMs,
				spreadMs: take.spreadMs,
				durationMs: take.durationMs,
				note: take.note,
				version: take.version,
				createdAt: take.createdAt,
				updatedAt: take.updatedAt
			}
		})
		.from(take)
		.innerJoin(tune, eq(tune.id, take.tuneId))
		.where(wheres(filter, take))
		.orderBy(filter.down ? desc(order) : asc(order), desc(take.playedAt), take.id)
		.limit(PAGE)
		.offset(filter.skip);
	return rows.map((row) => ({ ...takeSummaryOf(row.take), title: row.title }));
}

/** The record of the player, filtered; in four queries whatever its size. */
export async function getLog(db: Database, filter: LogFilter): Promise<Log> {
	const where = wheres(filter, take);
	const weekRows = rowsIn<WeekRow>(
		await db.execute(sql`
			select date_trunc('week', played_at, 'UTC') as week, position, key, count(*)::int as takes,
				sum(landed)::int as landed, sum(asked)::int as asked, sum(duration_ms)::float8 as ms
			from ${take} where ${where} group by 1, 2, 3`)
	);
	const begun = weekRows.map((row) => new Date(row.week).getTime());
	const begins: number[] = [];
	for (let at = Math.min(...begun); at <= Math.max(...begun); at += WEEK) begins.push(at);
	const weeks = byWeek(weekRows, begins);
	const place = weakest(weekRows, (row) => row.position);
	const key = weakest(weekRows, (row) => row.key);
	const lineOf = (name: string, has: (row: WeekRow) => boolean): Series => ({
		name,
		shares: byWeek(weekRows.filter(has), begins).map(({ share }) => share)
	});

	const changes = wheres(filter, takeChange);
	const heat = rowsIn<{ position: number; kind: ChordKind; asked: number; landed: number }>(
		await db.execute(sql`
			select position, kind, count(*)::int as asked,
				(count(*) filter (where result in ('landed', 'held') or (result = 'leaning' and exists (
					select from ${take} t where t.id = take_id and t.drill->'rules'->>'colours' = 'land'
				))))::int as landed
			from ${takeChange} where ${changes} group by 1, 2`)
	);
	const [about] = rowsIn<{
		takes: number;
		ms: number | null;
		first: string | null;
		last: string | null;
		tempos: Log['tempos'] | null;
		places: number[] | null;
		keys: string[] | null;
	}>(
		await db.execute(sql`
			select
				(select count(*)::int from ${take} where ${where}) as takes,
				(select sum(duration_ms)::float8 from ${take} where ${where}) as ms,
				(select min(played_at) from ${take} where ${where}) as first,
				(select max(played_at) from ${take} where ${where}) as last,
				(select json_agg(json_build_object('id', u.id, 'title', u.title, 'aim', u.tempo, 'clean', c.clean)
					order by u.created_at) from ${tune} u join (select tune_id, max(tempo) filter (where clean and not looped)
					as clean from ${take} group by tune_id) c on c.tune_id = u.id where u.deleted_at is null) as tempos,
				(select json_agg(distinct position) from ${take}) as places,
				(select json_agg(distinct key) from ${take}) as keys`)
	);
	const time = (text: string | null) => (text === null ? null : new Date(text).getTime());
	return {
		totals: {
			takes: about.takes,
			durationMs: about.ms ?? 0,
			first: time(about.first),
			last: time(about.last)
		},
		weeks,
		behind: { place, key },
		series: [
			lineOf('all takes', () => true),
			...(key === null ? [] : [lineOf(`key of ${key}`, (row) => row.key === key)]),
			...(place === null ? [] : [lineOf(`position ${place}`, (row) => row.position === place)])
		],
		heat: heat.filter(({ kind }) => CHORD_KINDS.includes(kind)),
		tempos: about.tempos ?? [],
		takes: await takesOf(db, filter),
		found: about.takes,
		page: PAGE,
		choices: {
			tunes: (about.tempos ?? []).map(({ id, title }) => ({ id, title })),
			places: (about.places ?? []).sort((a, b) => a - b),
			keys: (about.keys ?? []).filter((name) => name !== '').sort()
		}
	};
}

/** Takes that habits are read from: the latest. */
const HABIT_TAKES = 40;

/** The habits at the place, in the key, that was played most among those chosen; null without a take with notes. */
export async function getHabits(db: Database, filter: LogFilter): Promise<TuneHabits | null> {
	const [most] = await db
		.select({ tuneId: take.tuneId, position: take.position, key: take.key })
		.from(take)
		.where(and(wheres(filter, take), sql`${take.asked} > 0`))
		.groupBy(take.tuneId, take.position, take.key)
		.orderBy(desc(sql`count(*)`))
		.limit(1);
	if (!most) return null;
	const rows = await db
		.select({ id: take.id, events: take.events, title: tune.title, chart: tune.chart })
		.from(take)
		.innerJoin(tune, eq(tune.id, take.tuneId))
		.where(
			and(
				eq(take.tuneId, most.tuneId),
				eq(take.position, most.position),
				eq(take.key, most.key),
				sql`${take.asked} > 0`
			)
		)
		.orderBy(desc(take.playedAt), take.id)
		.limit(HABIT_TAKES);
	const changes = await db
		.select({ takeId: takeChange.takeId, result: takeChange.result, role: takeChange.role })
		.from(takeChange)
		.where(
			inArray(
				takeChange.takeId,
				rows.map(({ id }) => id)
			)
		);
	const { chart } = inKey(rows[0].chart, most.key === '' ? null : most.key);
	const { instrument } = instrumentOf(chart, await listInstruments(db));
	const habits = habitsOf(
		chart,
		instrument,
		most.position,
		rows.map(({ id, events }) => ({
			pitches: events.map(({ midi }) => midi),
			changes: changes.filter(({ takeId }) => takeId === id)
		}))
	);
	const strings = instrument.open.length;
	return { ...habits, ...most, title: rows[0].title, takes: rows.length, strings };
}

/** Two takes to lay side by side at first: the latest ones of a tune and a place that have notes. */
export async function getPair(db: Database): Promise<readonly string[]> {
	const rows = rowsIn<{ id: string; tune_id: string; position: number; key: string }>(
		await db.execute(sql`
			select id, tune_id, position, key from ${take} where note <> '' and asked > 0
			order by played_at desc limit 50`)
	);
	for (const [i, last] of rows.entries()) {
		const other = rows
			.slice(i + 1)
			.find(
				(row) =>
					row.tune_id === last.tune_id && row.position === last.position && row.key === last.key
			);
		if (other) return [other.id, last.id];
	}
	return [];
}
