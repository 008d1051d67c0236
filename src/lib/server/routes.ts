import type { OwnInstrument } from '$core/neck';
import { anchorOf } from '$core/route';
import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import type { Issue } from '../api/chart-schema';
import type { PlanSnapshot, RouteAnswer, RouteInput, RouteSummary } from '../api/notebook-schema';
import { NO_ANCHORS, NO_LINE } from '../api/route-defaults';
import { instrumentInputOf, resolveChart } from '../api/resolve';
import type { Database } from './database';
import { routeInPool } from './pool';
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

type Made = { readonly plan: PlanSnapshot } | { readonly issues: Issue[] };

/**
 * Plans a route on a chart. Anchors are written places; one that the chart no longer has is kept with
 * the route and simply does not bind.
 */
export async function makeSnapshot(
	chartText: string,
	input: RouteInput,
	own: readonly OwnInstrument[] = []
): Promise<Made> {
	const read = resolveChart(chartText);
	if ('issues' in read) return read;
	const chart = read.value;
	const instrument = instrumentInputOf(chart, own);
	const planned = await routeInPool({ chart: chartText, instrument, route: input });
	if ('issues' in planned) return planned;
	const plan = planned.value;
	const targets = plan.targets.map(({ change, ...target }) => {
		const at = chart.changes[change];
		return { ...anchorOf(at), symbol: at.to.symbol, ...target };
	});
	const notes = input.line.grid === 'targets' ? [] : plan.notes;
	return { plan: { cost: plan.cost, changes: chart.changes.length, targets, notes } };
}

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
): Promise<{ route: RouteAnswer; chart: string; tuneVersion: number } | null> {
	const [row] = await db
		.select({ route, chart: tune.chart, tuneVersion: tune.version })
		.from(route)
		.innerJoin(tune, eq(tune.id, route.tuneId))
		.where(and(eq(route.id, id), alive));
	return row ? { route: answer(row.route), chart: row.chart, tuneVersion: row.tuneVersion } : null;
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
	const [row] = await db
		.update(route)
		.set({
			...stored(input, plan, tuneVersion),
			version: sql`${route.version} + 1`,
			updatedAt: new Date()
		})
		.where(and(eq(route.id, id), eq(route.version, version)))
		.returning();
	return row ? answer(row) : null;
}
