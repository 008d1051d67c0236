import { NO_LINE, NO_ANCHORS, type RouteInput } from '../api/route-schema';
import { saveVersioned } from './versioned';
import { and, asc, eq, isNull } from 'drizzle-orm';
import type { PlanSnapshot, RouteAnswer, RouteSummary } from '../api/notebook-schema';
import type { Database } from './database';
import { route, tune } from './schema';

type Row = typeof route.$inferSelect;

const summary = (row: Row): RouteSummary => ({
	id: row.id,
	tuneId: row.tuneId,
	name: row.name,
	position: row.position,
	style: row.style,
	tuneVersion: row.tuneVersion,
	version: row.version
});
const answer = (row: Row): RouteAnswer => ({
	...summary(row),
	// Routes saved by earlier versions lack what came later.
	line: { ...NO_LINE, ...row.line },
	anchors: { ...NO_ANCHORS, ...row.anchors },
	plan: { ...row.plan, notes: row.plan.notes ?? [] },
	createdAt: row.createdAt.toISOString(),
	updatedAt: row.updatedAt.toISOString()
});

const stored = (input: RouteInput, plan: PlanSnapshot, tuneVersion: number) => ({
	name: input.name,
	position: input.position,
	style: input.style,
	line: input.line,
	anchors: input.anchors,
	plan,
	landed: plan.targets.length,
	changes: plan.changes,
	tuneVersion
});

const alive = isNull(tune.deletedAt);

export async function listRoutes(db: Database, tuneId: string): Promise<RouteSummary[]> {
	const rows = await db
		.select()
		.from(route)
		.where(eq(route.tuneId, tuneId))
		.orderBy(asc(route.createdAt));
	return rows.map(summary);
}

/** A route with the chart that it stands on; null when it, or its tune, is gone. */
export async function getRoute(
	db: Database,
	id: string
): Promise<{ route: RouteAnswer; title: string; chart: string; tuneVersion: number } | null> {
	const [row] = await db
		.select({ route, title: tune.title, chart: tune.chart, tuneVersion: tune.version })
		.from(route)
		.innerJoin(tune, eq(tune.id, route.tuneId))
		.where(and(eq(route.id, id), alive));
	return row ? { ...row, route: answer(row.route) } : null;
}

export async function createRoute(
	db: Database,
	tuneId: string,
	input: RouteInput,
	plan: PlanSnapshot,
	tuneVersion: number,
	at = new Date()
): Promise<RouteAnswer> {
	const [row] = await db
		.insert(route)
		.values({ tuneId, ...stored(input, plan, tuneVersion), createdAt: at, updatedAt: at })
		.returning();
	return answer(row);
}

/** Saves a route made from a version; null when it is elsewhere by now (or gone). */
export async function updateRoute(
	db: Database,
	id: string,
	input: RouteInput,
	plan: PlanSnapshot,
	tuneVersion: number,
	version: number
): Promise<RouteAnswer | null> {
	const row = await saveVersioned(
		db,
		route,
		eq(route.id, id),
		version,
		stored(input, plan, tuneVersion)
	);
	return row ? answer(row) : null;
}
