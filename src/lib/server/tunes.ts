import { saveVersioned } from './versioned';
import { LIMITS, utf8Length } from '$core/chart';
import { subHours } from 'date-fns';
import { and, asc, count, eq, isNotNull, isNull, lt, ne, sql, type SQL } from 'drizzle-orm';
import type { NotebookRow } from '../api/home-page';
import type { TuneAnswer } from '../api/notebook-schema';
import type { Issue } from '../api/chart-schema';
import { READING, type TuneReading } from '../api/tune-reading';
import type { Database } from './database';
import { route, trash, tune } from './schema';

type Row = typeof tune.$inferSelect;

export const tuneAnswerOf = (row: Row): TuneAnswer => ({
	id: row.id,
	title: row.title,
	key: row.key,
	tempo: row.tempo,
	feel: row.feel,
	bars: row.bars,
	chart: row.chart,
	version: row.version,
	createdAt: row.createdAt.toISOString(),
	updatedAt: row.updatedAt.toISOString()
});

/** What a list of tunes tells of one. */
export const summaryOf = ({ id, title, key, tempo, version }: TuneAnswer) => ({
	...{ id, title, key, tempo, version }
});

/** Only the size of a text can forbid saving it. */
export function checkChartSize(chart: string): Issue[] {
	const bytes = utf8Length(chart);
	if (bytes <= LIMITS.bytes) return [];
	const most = LIMITS.bytes / 1024;
	return [
		{ path: 'chart', message: `This chart has ${bytes} bytes; at most ${most} KiB can be saved.` }
	];
}

export async function listTunes(db: Database): Promise<TuneAnswer[]> {
	const rows = await db
		.select()
		.from(tune)
		.where(isNull(tune.deletedAt))
		.orderBy(asc(tune.createdAt));
	return rows.map(tuneAnswerOf);
}

export async function getTune(db: Database, id: string): Promise<TuneAnswer | null> {
	const [row] = await db
		.select()
		.from(tune)
		.where(and(eq(tune.id, id), isNull(tune.deletedAt)));
	return row ? tuneAnswerOf(row) : null;
}

export async function createTune(
	db: Database,
	read: TuneReading,
	at = new Date()
): Promise<TuneAnswer> {
	const [row] = await db
		.insert(tune)
		.values({ ...read, createdAt: at, updatedAt: at })
		.returning();
	return tuneAnswerOf(row);
}

/** Saves a chart made from a version; null when the tune is elsewhere by now (or gone). */
export async function updateTune(
	db: Database,
	id: string,
	read: TuneReading,
	version: number
): Promise<TuneAnswer | null> {
	const row = await saveVersioned(
		db,
		tune,
		and(eq(tune.id, id), isNull(tune.deletedAt)),
		version,
		read
	);
	return row ? tuneAnswerOf(row) : null;
}

/** Hides a tune with its routes for a day at least; `restoreTune` brings it back. */
export async function deleteTune(db: Database, id: string): Promise<boolean> {
	const rows = await db
		.update(tune)
		.set({ deletedAt: new Date() })
		.where(and(eq(tune.id, id), isNull(tune.deletedAt)))
		.returning({ id: tune.id });
	return rows.length > 0;
}

export async function restoreTune(db: Database, id: string): Promise<TuneAnswer | null> {
	const [row] = await db
		.update(tune)
		.set({ deletedAt: null })
		.where(and(eq(tune.id, id), isNotNull(tune.deletedAt)))
		.returning();
	return row ? tuneAnswerOf(row) : null;
}

/** How long what was deleted can be brought back, in hours. */
const KEPT_HOURS = 24;

/** Removes for good what was deleted a day ago or earlier; called at start. */
export async function purgeDeleted(db: Database, now = new Date()): Promise<void> {
	const until = subHours(now, KEPT_HOURS);
	await db.delete(tune).where(lt(tune.deletedAt, until));
	await db.delete(trash).where(lt(trash.deletedAt, until));
}

/** Tunes that are read again at a time. */
const AT_ONCE = 100;

/**
 * Reads the tunes again whose columns were made by other rules than today's; called at start.
 * @param read reads charts, wherever it is done
 */
export async function readAgain(
	db: Database,
	read: (charts: readonly string[]) => Promise<TuneReading[]>
): Promise<void> {
	for (;;) {
		const rows = await db
			.select({ id: tune.id, chart: tune.chart })
			.from(tune)
			.where(ne(tune.reading, READING))
			.limit(AT_ONCE);
		if (rows.length === 0) return;
		const readings = await read(rows.map(({ chart }) => chart));
		for (const [i, { id, chart }] of rows.entries()) {
			await db
				.update(tune)
				.set(readings[i])
				.where(and(eq(tune.id, id), eq(tune.chart, chart)));
		}
	}
}

export async function countTunes(db: Database): Promise<number> {
	const [row] = await db.select({ n: count() }).from(tune);
	return row.n;
}

/** What a row shows; the texts stay where they are. */
const ROW = {
	...{ id: tune.id, title: tune.title, key: tune.key, tempo: tune.tempo },
	...{ feel: tune.feel, bars: tune.bars, version: tune.version }
};

/** Every tune, or those of a condition, newest last, in one query. */
export async function notebook(db: Database, only?: SQL): Promise<NotebookRow[]> {
	const planned = db
		.select({
			tuneId: route.tuneId,
			all: sql<
				NotebookRow['routes']
			>`json_agg(json_build_object('id', ${route.id}, 'position', ${route.position},
				'landed', ${route.landed}, 'changes', ${route.changes}) order by ${route.createdAt})`.as('all')
		})
		.from(route)
		.groupBy(route.tuneId)
		.as('planned');
	const rows = await db
		.select({ ...ROW, routes: planned.all })
		.from(tune)
		.leftJoin(planned, eq(planned.tuneId, tune.id))
		.where(and(isNull(tune.deletedAt), only))
		.orderBy(asc(tune.createdAt), asc(tune.id));
	return rows.map(({ routes, ...row }) => ({ ...row, routes: routes ?? [] }));
}
