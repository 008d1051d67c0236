import { NO_LINE, NO_ANCHORS } from '../api/route-schema';
import { and, asc, inArray, isNull, sql } from 'drizzle-orm';
import type { PgColumn } from 'drizzle-orm/pg-core';
import { setImmediate } from 'node:timers/promises';
import { FORMAT_VERSION } from '../api/document-schema';
import type { Database } from './database';
import { beat } from './pulse';
import {
	card,
	instrument,
	motif,
	player,
	route,
	setItem,
	setList,
	take,
	takeChange,
	tune
} from './schema';

/** A row with its dates as text. */
function asText<T extends object>(row: T): Record<string, unknown> {
	return Object.fromEntries(
		Object.entries(row).map(([key, value]) => [
			key,
			value instanceof Date ? value.toISOString() : value
		])
	);
}

/** Characters that are read and written at a time, about: so much holds nobody up. */
const PART = 128 * 1024;
const MOST_AT_ONCE = 200;

/** Ids that are looked up at a time. */
const IDS_AT_ONCE = 500;

/** A table whose rows stand in the order of a time. */
type TimedTable =
	| typeof tune
	| typeof route
	| typeof motif
	| typeof setList
	| typeof instrument
	| typeof card
	| typeof take;

/** The ids of a table in the order of a time, some at a time, by the index where there is one. */
async function* idsOf(db: Database, table: TimedTable, time: PgColumn): AsyncGenerator<string[]> {
	let after: { at: string; id: string } | undefined;
	do {
		// Times are finer than those of the language: as text they stay whole.
		const rows: { at: string; id: string }[] = await db
			.select({ id: table.id, at: sql<string>`${time}::text` })
			.from(table as typeof tune)
			.where(after && sql`(${time}, ${table.id}) > (${after.at}::timestamptz, ${after.id}::uuid)`)
			.orderBy(asc(time), asc(table.id))
			.limit(IDS_AT_ONCE);
		await setImmediate();
		yield rows.map(({ id }) => id);
		after = rows.length === IDS_AT_ONCE ? rows[rows.length - 1] : undefined;
	} while (after);
}

/**
 * The rows of one kind as JSON, one after the other, read part by part; between the parts the database and the
 * process do other things.
 * @param read the rows of some ids, in any order; one that is not wanted, or gone meanwhile, is left out
 */
async function* rowsOf<Row extends { readonly id: string }>(
	pages: AsyncGenerator<string[]>,
	read: (ids: string[]) => Promise<readonly Row[]>,
	toJson: (row: Row) => unknown
): AsyncGenerator<string> {
	let atOnce = 8;
	let before = '\n';
	for await (const ids of pages) {
		for (let from = 0; from < ids.length;) {
			const part = ids.slice(from, from + atOnce);
			from += part.length;
			const rows = new Map((await read(part)).map((row) => [row.id, row]));
			await setImmediate();
			const texts = part.flatMap((id) => {
				const row = rows.get(id);
				return row ? [JSON.stringify(toJson(row))] : [];
			});
			if (texts.length > 0) {
				yield before + texts.join(',\n');
				before = ',\n';
			}
			const size = texts.reduce((sum, text) => sum + text.length, 0);
			// As many rows as fit into a part, going by those just read; never many more than before.
			const fitting = Math.floor((PART * part.length) / Math.max(1, size));
			atOnce = Math.max(1, Math.min(fitting, 2 * atOnce, MOST_AT_ONCE));
			beat();
			await setImmediate();
		}
	}
}

/**
 * Everything of the notebook but what was deleted, as the text of one JSON document; each kind in the order in
 * which it was made, a row on a line. It is read part by part while the notebook is in use: each row is whole, and
 * nothing names another that is not there.
 */
export async function* backupText(db: Database, now = new Date()): AsyncGenerator<string> {
	const head = {
		format: 'arc-step/backup',
		formatVersion: FORMAT_VERSION,
		exportedAt: now.toISOString()
	};
	yield JSON.stringify(head).slice(0, -1);

	const alive = isNull(tune.deletedAt);
	const written = { tunes: new Set<string>(), cards: new Set<string>() };
	const ofTune = ({ tuneId }: { readonly tuneId: string }) => written.tunes.has(tuneId);
	yield ',\n"tunes":[';
	yield* rowsOf(
		idsOf(db, tune, tune.createdAt),
		(ids) =>
			db
				.select()
				.from(tune)
				.where(and(inArray(tune.id, ids), alive)),
		({ id, title, chart, version, createdAt, updatedAt }) => {
			written.tunes.add(id);
			return asText({ id, title, chart, version, createdAt, updatedAt });
		}
	);

	yield '],\n"routes":[';
	yield* rowsOf(
		idsOf(db, route, route.createdAt),
		async (ids) => (await db.select().from(route).where(inArray(route.id, ids))).filter(ofTune),
		(row) =>
			asText({
				...row,
				line: { ...NO_LINE, ...row.line },
				anchors: { ...NO_ANCHORS, ...row.anchors },
				plan: { ...row.plan, notes: row.plan.notes ?? [] }
			})
	);

	yield '],\n"motifs":[';
	yield* rowsOf(
		idsOf(db, motif, motif.createdAt),
		(ids) => db.select().from(motif).where(inArray(motif.id, ids)),
		asText
	);

	yield '],\n"sets":[';
	yield* rowsOf(
		idsOf(db, setList, setList.createdAt),
		async (ids) => {
			const rows = await db.select().from(setList).where(inArray(setList.id, ids));
			const items = await db
				.select({ setId: setItem.setId, tuneId: setItem.tuneId })
				.from(setItem)
				.where(inArray(setItem.setId, ids))
				.orderBy(asc(setItem.place));
			return rows.map((row) => ({
				...row,
				tunes: items
					.filter(({ setId, tuneId }) => setId === row.id && written.tunes.has(tuneId))
					.map(({ tuneId }) => tuneId)
			}));
		},
		asText
	);

	yield '],\n"instruments":[';
	yield* rowsOf(
		idsOf(db, instrument, instrument.createdAt),
		(ids) => db.select().from(instrument).where(inArray(instrument.id, ids)),
		asText
	);

	const [own] = await db.select().from(player);
	const { id: _, ...ownText } = own ? asText(own) : {};
	yield `],\n"player":${JSON.stringify(own ? ownText : null)},\n"cards":[`;

	yield* rowsOf(
		idsOf(db, card, card.createdAt),
		async (ids) => (await db.select().from(card).where(inArray(card.id, ids))).filter(ofTune),
		(row) => {
			written.cards.add(row.id);
			return asText(row);
		}
	);

	yield '],\n"takes":[';
	yield* rowsOf(
		idsOf(db, take, take.playedAt),
		async (ids) => {
			const rows = (await db.select().from(take).where(inArray(take.id, ids))).filter(
				({ cardId }) => written.cards.has(cardId)
			);
			await setImmediate();
			const changes = await db
				.select()
				.from(takeChange)
				.where(inArray(takeChange.takeId, ids))
				.orderBy(asc(takeChange.loop), asc(takeChange.change));
			const byTake = new Map(rows.map(({ id }) => [id, [] as object[]]));
			for (const { takeId, loop, change, kind, symbol, bar, result, role, errorMs } of changes) {
				byTake.get(takeId)?.push({ loop, change, kind, symbol, bar, result, role, errorMs });
			}
			return rows.map((row) => ({ ...row, changes: byTake.get(row.id) ?? [] }));
		},
		asText
	);
	yield ']}\n';
}
