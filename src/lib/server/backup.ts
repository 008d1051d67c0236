import { asc, isNull } from 'drizzle-orm';
import type { BackupDocument } from '../api/backup-schema';
import { FORMAT_VERSION } from '../api/document-schema';
import type { Database } from './database';
import { NO_ANCHORS, NO_LINE } from '../api/route-defaults';
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

const grouped = <T, K>(rows: readonly T[], key: (row: T) => K): Map<K, T[]> => {
	const groups = new Map<K, T[]>();
	for (const row of rows) {
		const group = groups.get(key(row));
		if (group) group.push(row);
		else groups.set(key(row), [row]);
	}
	return groups;
};

/** Everything of the notebook but what was deleted; each kind in the order in which it was made. */
export async function makeBackup(db: Database, now = new Date()): Promise<BackupDocument> {
	return db.transaction(
		async (tx) => {
			const tunes = await tx
				.select()
				.from(tune)
				.where(isNull(tune.deletedAt))
				.orderBy(asc(tune.createdAt), asc(tune.id));
			const alive = new Set(tunes.map(({ id }) => id));
			const ofTunes = <T extends { tuneId: string }>(rows: readonly T[]) =>
				rows.filter(({ tuneId }) => alive.has(tuneId));
			const routes = ofTunes(
				await tx.select().from(route).orderBy(asc(route.createdAt), asc(route.id))
			);
			const motifs = await tx.select().from(motif).orderBy(asc(motif.createdAt), asc(motif.id));
			const sets = await tx.select().from(setList).orderBy(asc(setList.createdAt), asc(setList.id));
			const items = grouped(
				ofTunes(await tx.select().from(setItem).orderBy(asc(setItem.place))),
				({ setId }) => setId
			);
			const instruments = await tx
				.select()
				.from(instrument)
				.orderBy(asc(instrument.createdAt), asc(instrument.id));
			const [own] = await tx.select().from(player);
			const cards = ofTunes(
				await tx.select().from(card).orderBy(asc(card.createdAt), asc(card.id))
			);
			const takes = ofTunes(await tx.select().from(take).orderBy(asc(take.playedAt), asc(take.id)));
			const changes = grouped(
				await tx.select().from(takeChange).orderBy(asc(takeChange.loop), asc(takeChange.change)),
				({ takeId }) => takeId
			);
			const document = {
				format: 'arc-step/backup',
				formatVersion: FORMAT_VERSION,
				exportedAt: now.toISOString(),
				tunes: tunes.map(({ id, title, chart, version, createdAt, updatedAt }) =>
					asText({ id, title, chart, version, createdAt, updatedAt })
				),
				routes: routes.map((row) =>
					asText({
						...row,
						line: { ...NO_LINE, ...row.line },
						anchors: { ...NO_ANCHORS, ...row.anchors },
						plan: { ...row.plan, notes: row.plan.notes ?? [] }
					})
				),
				motifs: motifs.map(asText),
				sets: sets.map((row) => ({
					...asText(row),
					tunes: (items.get(row.id) ?? []).map(({ tuneId }) => tuneId)
				})),
				instruments: instruments.map(asText),
				player: own
					? asText({
							handMm: own.handMm,
							scales: own.scales,
							version: own.version,
							createdAt: own.createdAt,
							updatedAt: own.updatedAt
						})
					: null,
				cards: cards.map(asText),
				takes: takes.map((row) => ({
					...asText(row),
					changes: (changes.get(row.id) ?? []).map(
						({ loop, change, kind, symbol, bar, result, role, errorMs }) => ({
							...{ loop, change, kind, symbol, bar, result, role, errorMs }
						})
					)
				}))
			};
			return document as BackupDocument;
		},
		{ isolationLevel: 'repeatable read', accessMode: 'read only' }
	);
}
