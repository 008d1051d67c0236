import { eq, inArray, sql } from 'drizzle-orm';
import type { BackupDocument, RestoreAnswer, RestoreCounts } from '../api/backup-schema';
import { RESTORE_KINDS, type RestoreKind } from '../api/restore-kinds';
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
import { PRESET_MOTIF } from './motifs';
import { chartSummary } from './tunes';

export type RestoreMode = 'merge' | 'replace';

/** Rows that are written in one statement. */
const AT_ONCE = 500;

const date = (text: string) => new Date(text);
const stamps = (row: { version: number; createdAt: string; updatedAt: string }) => ({
	version: row.version,
	createdAt: date(row.createdAt),
	updatedAt: date(row.updatedAt)
});

/** Times of making that ascend, so that the order of the file stays the order of the notebook. */
function ascending<T extends { createdAt: string }>(rows: readonly T[]): T[] {
	let last = -Infinity;
	return rows.map((row) => {
		last = Math.max(date(row.createdAt).getTime(), last + 1);
		return { ...row, createdAt: new Date(last).toISOString() };
	});
}

async function inParts<T>(
	rows: readonly T[],
	write: (part: T[]) => Promise<unknown>
): Promise<void> {
	for (let i = 0; i < rows.length; i += AT_ONCE) await write(rows.slice(i, i + AT_ONCE));
}

/** The ids of a kind in the notebook, with when they were last changed. */
type Known = ReadonlyMap<string, number>;

async function knownOf(db: Database): Promise<Record<RestoreKind, Known>> {
	const read = async (
		table:
			| typeof tune
			| typeof route
			| typeof motif
			| typeof setList
			| typeof instrument
			| typeof card
			| typeof take
	): Promise<Known> => {
		const rows = await db.select({ id: table.id, updatedAt: table.updatedAt }).from(table);
		return new Map(rows.map(({ id, updatedAt }) => [id, updatedAt.getTime()]));
	};
	const tunes = await db
		.select({ id: tune.id, updatedAt: tune.updatedAt, deletedAt: tune.deletedAt })
		.from(tune);
	return {
		// What was deleted is not there: the file brings it back.
		tunes: new Map(
			tunes.map((row) => [row.id, row.deletedAt ? -Infinity : row.updatedAt.getTime()])
		),
		routes: await read(route),
		motifs: await read(motif),
		sets: await read(setList),
		instruments: await read(instrument),
		cards: await read(card),
		takes: await read(take)
	};
}

/** What is to be done with one kind: rows that are new, and rows that replace older ones. */
type Work<Row> = { readonly added: Row[]; readonly changed: Row[]; readonly counts: RestoreCounts };

function workOn<Row extends { id: string; updatedAt: string }>(
	rows: readonly Row[],
	known: Known,
	mode: RestoreMode
): Work<Row> {
	const added: Row[] = [];
	const changed: Row[] = [];
	const kept: Row[] = [];
	for (const row of rows) {
		const there = known.get(row.id);
		const time = date(row.updatedAt).getTime();
		if (there === undefined) added.push(row);
		else if (mode === 'replace' ? time !== there : time > there) changed.push(row);
		else kept.push(row);
	}
	const inFile = new Set(rows.map(({ id }) => id));
	const removed = mode === 'replace' ? [...known.keys()].filter((id) => !inFile.has(id)).length : 0;
	const counts = {
		...{ added: added.length, changed: changed.length, kept: kept.length },
		removed
	};
	// A notebook that is emptied first is written anew.
	return mode === 'replace'
		? { added: [...rows], changed: [], counts }
		: { added, changed, counts };
}

type Plan = { readonly [K in RestoreKind]: Work<BackupDocument[K][number]> };

async function planOf(db: Database, backup: BackupDocument, mode: RestoreMode): Promise<Plan> {
	const known = await knownOf(db);
	return {
		tunes: workOn(ascending(backup.tunes), known.tunes, mode),
		routes: workOn(ascending(backup.routes), known.routes, mode),
		motifs: workOn(ascending(backup.motifs), known.motifs, mode),
		sets: workOn(ascending(backup.sets), known.sets, mode),
		instruments: workOn(ascending(backup.instruments), known.instruments, mode),
		cards: workOn(ascending(backup.cards), known.cards, mode),
		takes: workOn(ascending(backup.takes), known.takes, mode)
	};
}

const answerOf = (plan: Plan, mode: RestoreMode, stored: boolean): RestoreAnswer => ({
	mode,
	stored,
	...(Object.fromEntries(RESTORE_KINDS.map((kind) => [kind, plan[kind].counts])) as Record<
		RestoreKind,
		RestoreCounts
	>)
});

/** A notebook that holds nothing but the motifs that it came with: there is nothing in it to keep. */
async function isEmpty(db: Database): Promise<boolean> {
	for (const table of [tune, setList, instrument]) {
		if ((await db.select({ id: table.id }).from(table).limit(1)).length > 0) return false;
	}
	const motifs = await db.select({ id: motif.id, version: motif.version }).from(motif);
	return motifs.every(({ id, version }) => version === 1 && id.startsWith(PRESET_MOTIF));
}

/** What a restore would do, without doing it. */
export async function previewRestore(
	db: Database,
	backup: BackupDocument,
	mode: RestoreMode
): Promise<RestoreAnswer> {
	const how = (await isEmpty(db)) ? 'replace' : mode;
	return answerOf(await planOf(db, backup, how), mode, false);
}

/** Takes away what the file replaces: parents before what hangs on them, so that nothing is left over. */
async function clear(tx: Database, plan: Plan, mode: RestoreMode): Promise<void> {
	if (mode === 'replace') {
		for (const table of [take, card, setItem, setList, route, motif, instrument, player, tune]) {
			await tx.delete(table);
		}
		return;
	}
	const gone = async (
		table: typeof route | typeof motif | typeof setList | typeof instrument | typeof take,
		rows: readonly { id: string }[]
	) =>
		inParts(rows, (part) =>
			tx.delete(table).where(
				inArray(
					table.id,
					part.map(({ id }) => id)
				)
			)
		);
	await gone(take, plan.takes.changed);
	await gone(route, plan.routes.changed);
	await gone(motif, plan.motifs.changed);
	await gone(setList, plan.sets.changed);
	await gone(instrument, plan.instruments.changed);
}

const rowsOf = <T>({ added, changed }: Work<T>): T[] => [...added, ...changed];

async function writeTunes(tx: Database, { tunes }: Plan): Promise<void> {
	await inParts(rowsOf(tunes), (part) =>
		tx
			.insert(tune)
			.values(
				part.map(({ id, chart, ...row }) => ({ id, chart, ...chartSummary(chart), ...stamps(row) }))
			)
			.onConflictDoUpdate({
				target: tune.id,
				set: {
					title: sql`excluded.title`,
					chart: sql`excluded.chart`,
					key: sql`excluded.key`,
					tempo: sql`excluded.tempo`,
					feel: sql`excluded.feel`,
					bars: sql`excluded.bars`,
					// A page that was opened before must notice.
					version: sql`greatest(excluded.version, ${tune.version} + 1)`,
					updatedAt: sql`excluded.updated_at`,
					deletedAt: null
				}
			})
	);
}

/** Cards are one for a tune, a position and a key: those that are there stay under their own id. */
async function writeCards(tx: Database, { cards }: Plan): Promise<void> {
	const what = ({
		due,
		drill,
		tempo,
		cleanInRow,
		schedule,
		resting,
		updatedAt
	}: BackupDocument['cards'][number]) => ({
		...{ drill, tempo, cleanInRow, schedule, resting },
		due: date(due),
		updatedAt: date(updatedAt)
	});
	for (const row of cards.added) {
		await tx
			.insert(card)
			.values({ ...row, ...stamps(row), due: date(row.due) })
			.onConflictDoUpdate({
				target: [card.tuneId, card.position, card.key],
				set: what(row),
				setWhere: sql`${card.updatedAt} < ${row.updatedAt}::timestamptz`
			});
	}
	for (const row of cards.changed) await tx.update(card).set(what(row)).where(eq(card.id, row.id));
}

async function writeTakes(tx: Database, backup: BackupDocument, plan: Plan): Promise<void> {
	const cards = await tx
		.select({ id: card.id, tuneId: card.tuneId, position: card.position, key: card.key })
		.from(card);
	const byPlace = new Map(cards.map((row) => [`${row.tuneId} ${row.position} ${row.key}`, row.id]));
	const cardOf = new Map(
		backup.cards.map((row) => [row.id, byPlace.get(`${row.tuneId} ${row.position} ${row.key}`)])
	);
	await inParts(rowsOf(plan.takes), async (part) => {
		await tx.insert(take).values(
			part.map(({ changes: _, playedAt, cardId, ...row }) => ({
				...row,
				...stamps(row),
				playedAt: date(playedAt),
				cardId: cardOf.get(cardId) ?? cardId
			}))
		);
		const changes = part.flatMap(({ id, tuneId, position, key, changes: list }) =>
			list.map((change) => ({ takeId: id, tuneId, position, key, ...change }))
		);
		await inParts(changes, (rows) => tx.insert(takeChange).values(rows));
	});
}

/**
 * Takes a backup in, in one transaction. `merge` adds what is missing and takes what is newer in the file;
 * `replace` leaves nothing but what the file holds.
 */
export async function restore(
	db: Database,
	backup: BackupDocument,
	mode: RestoreMode
): Promise<RestoreAnswer> {
	return db.transaction(async (tx) => {
		const how = (await isEmpty(tx)) ? 'replace' : mode;
		const plan = await planOf(tx, backup, how);
		await clear(tx, plan, how);
		await writeTunes(tx, plan);
		await inParts(rowsOf(plan.routes), (part) =>
			tx.insert(route).values(part.map((row) => ({ ...row, ...stamps(row) })))
		);
		await inParts(rowsOf(plan.motifs), (part) =>
			tx.insert(motif).values(part.map((row) => ({ ...row, ...stamps(row) })))
		);
		await inParts(rowsOf(plan.instruments), (part) =>
			tx.insert(instrument).values(part.map((row) => ({ ...row, ...stamps(row) })))
		);
		for (const { tunes, ...row } of rowsOf(plan.sets)) {
			await tx.insert(setList).values({ ...row, ...stamps(row) });
			const items = tunes.map((tuneId, place) => ({ setId: row.id, tuneId, place }));
			if (items.length > 0) await tx.insert(setItem).values(items);
		}
		const own = backup.player;
		if (own) {
			const values = { id: 1, handMm: own.handMm, scales: own.scales, ...stamps(own) };
			const set = { handMm: own.handMm, scales: own.scales, updatedAt: date(own.updatedAt) };
			await tx
				.insert(player)
				.values(values)
				.onConflictDoUpdate({
					target: player.id,
					set: { ...set, version: sql`${player.version} + 1` },
					setWhere: sql`${player.updatedAt} < ${own.updatedAt}::timestamptz`
				});
		}
		await writeCards(tx, plan);
		await writeTakes(tx, backup, plan);
		return answerOf(plan, mode, true);
	});
}
