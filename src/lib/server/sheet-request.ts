import { and, eq, isNull, sql } from 'drizzle-orm';
import { parseChart } from '$core/chart';
import { instrumentOf } from '$core/neck';
import type { Database } from './database';
import { pieceOfRoute } from './export';
import { setItem, setList, tune } from './schema';
import { PAPERS, SHOWN, type SheetContent, type SheetOptions } from './sheet/options';
import type { SheetRequest } from './sheet/make';
import { getTunePage } from './tune-page';

const USUAL_POSITION = 5;

/** What the address asks of the page; what it does not understand takes its default. */
export function sheetOptions(query: URLSearchParams): SheetOptions {
	return {
		paper: PAPERS.find((paper) => paper === query.get('paper')) ?? 'a4',
		show: SHOWN.find((show) => show === query.get('show')) ?? 'both',
		leftHanded: query.get('left') === '1',
		large: query.get('large') === '1'
	};
}

/** The set that a tune stands in, and where. */
async function setOf(db: Database, tuneId: string): Promise<SheetContent['set']> {
	const [row] = await db
		.select({
			name: setList.name,
			number: sql<number>`(select count(*)::int from set_item other join tune t on t.id = other.tune_id
				where other.set_id = ${setItem.setId} and other.place <= ${setItem.place} and t.deleted_at is null)`,
			count: sql<number>`(select count(*)::int from set_item other join tune t on t.id = other.tune_id
				where other.set_id = ${setItem.setId} and t.deleted_at is null)`
		})
		.from(setItem)
		.innerJoin(setList, eq(setList.id, setItem.setId))
		.innerJoin(tune, eq(tune.id, setItem.tuneId))
		.where(and(eq(setItem.tuneId, tuneId), isNull(tune.deletedAt)))
		.orderBy(setList.createdAt)
		.limit(1);
	return row ?? null;
}

/**
 * What the page of a tune is made of: the route that is asked for, else the newest; a tune without one has
 * its chords at a place of the neck.
 * @returns null when tune or route are gone
 */
export async function sheetRequest(
	db: Database,
	tuneId: string,
	wish: { readonly routeId: string | null; readonly position: number | null },
	options: SheetOptions
): Promise<{ request: SheetRequest; routeId: string | null } | null> {
	const page = await getTunePage(db, tuneId);
	if (!page) return null;
	const none = wish.routeId === 'none';
	const routeId = none ? null : (wish.routeId ?? page.routes.at(-1)?.id ?? null);
	const found = routeId ? await pieceOfRoute(db, routeId) : null;
	if (routeId && found?.route.tuneId !== tuneId) return null;
	const { chart } = page.tune;
	const { instrument } = instrumentOf(parseChart(chart), page.instruments);
	const request: SheetRequest = {
		chart,
		own: page.instruments,
		handMm: page.player.handMm,
		position: found?.route.position ?? wish.position ?? USUAL_POSITION,
		route: found && {
			name: found.route.name,
			style: found.route.style,
			line: found.route.line,
			plan: found.plan,
			notes: found.piece.notes
		},
		set: await setOf(db, tuneId),
		options: { ...options, leftHanded: options.leftHanded || instrument.leftHanded === true }
	};
	return { request, routeId };
}
