import { and, asc, eq, inArray, isNull } from 'drizzle-orm';
import { setImmediate } from 'node:timers/promises';
import { FORMAT_VERSION } from '../api/document-schema';
import { NO_ANCHORS, NO_LINE } from '../api/route-defaults';
import type { Database } from './database';
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
const PART = 256 * 1024;
const MOST_AT_ONCE = 200;

/**
 * The rows of one kind as JSON, one after the other, read part by part; between the parts the database and the
 * process do other things.
 * @param read the rows of some ids, in any order; one that is gone meanwhile is left out
 */
async function* rowsOf<Row extends { readonly id: string }>(
	ids: readonly string[],
	read: (ids: string[]) => Promise<readonly Row[]>,
	toJson: (row: Row) => unknown
): AsyncGenerator<string> {
	let atOnce = 8;
	let before = '\n';
	for (let from = 0; from < ids.length;) {
		const part = ids.slice(from, from + atOnce);
		from += part.length;
		const rows = new Map((await read(part)).map((row) => [row.id, row]));
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
		await setImmediate();
	}
}

const idsOf = (rows: readonly { readonly id: string }[]): string[] => rows.map(({ id }) => id);

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
	const tunes = idsOf(
		await db
			.select({ id: tune.id })
			.from(tune)
			.where(alive)
			.orderBy(asc(tune.createdAt), asc(tune.id))
	);
	const written = { tunes: new Set<string>(), cards: new Set<string>() };
	yield ',\n"tunes":[';
	yield* rowsOf(
		tunes,
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
	const routes = await db
		.select({ id: route.id, tuneId: route.tuneId })
		.from(route)
		.orderBy(asc(route.createdAt), asc(route.id));
	yield* rowsOf(
		idsOf(routes.filter(({ tuneId }) => written.tunes.has(tuneId))),
		(ids) => db.select().from(route).where(inArray(route.id, ids)),
		(row) =>
			asText({
				...row,
				line: { ...NO_LINE, ...row.line },
				anchors: { ...NO_ANCHORS, ...row.anchors },
				plan: { ...row.plan, notes: row.plan.notes ?? [] }
			})
	);

	yield '],\n"motifs":[';
	const motifs = await db
		.select({ id: motif.id })
		.from(motif)
		.orderBy(asc(motif.createdAt), asc(motif.id));
	yield* rowsOf(
		idsOf(motifs),
		(ids) => db.select().from(motif).where(inArray(motif.id, ids)),
		asText
	);

	yield '],\n"sets":[';
	const sets = await db
		.select({ id: setList.id })
		.from(setList)
		.orderBy(asc(setList.createdAt), asc(setList.id));
	yield* rowsOf(
		idsOf(sets),
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
	const instruments = await db
		.select({ id: instrument.id })
		.from(instrument)
		.orderBy(asc(instrument.createdAt), asc(instrument.id));
	yield* rowsOf(
		idsOf(instruments),
		(ids) => db.select().from(instrument).where(inArray(instrument.id, ids)),
		asText
	);

	const [own] = await db.select().from(player);
	const { id: _, ...ownText } = own ? asText(own) : {};
	yield `],\n"player":${JSON.stringify(own ? ownText : null)},\n"cards":[`;

	const cards = await db
		.select({ id: card.id, tuneId: card.tuneId })
		.from(card)
		.orderBy(asc(card.createdAt), asc(card.id));
	yield* rowsOf(
		idsOf(cards.filter(({ tuneId }) => written.tunes.has(tuneId))),
		(ids) => db.select().from(card).where(inArray(card.id, ids)),
		(row) => {
			written.cards.add(row.id);
			return asText(row);
		}
	);

	yield '],\n"takes":[';
	const takes = await db
		.select({ id: take.id, cardId: take.cardId })
		.from(take)
		.innerJoin(tune, and(eq(tune.id, take.tuneId), alive))
		.orderBy(asc(take.playedAt), asc(take.id));
	yield* rowsOf(
		idsOf(takes.filter(({ cardId }) => written.cards.has(cardId))),
		async (ids) => {
			const rows = await db.select().from(take).where(inArray(take.id, ids));
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
