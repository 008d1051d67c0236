import { asc, getTableColumns, gt, inArray, sql, type SQL } from 'drizzle-orm';
import { createReadStream } from 'node:fs';
import { createInterface } from 'node:readline';
import { setImmediate } from 'node:timers/promises';
import type { RestoreAnswer, RestoreCounts } from '../api/backup-schema';
import { RESTORE_KINDS, type RestoreKind } from '../api/restore-kinds';
import { atomically, hasNoRoom, type Database } from './database';
import { clientGone } from './leaving';
import { PRESET_MOTIF } from './motifs';
import { beat } from './pulse';
import { RESTORED, rowsFile, type BackupIndex, type RestoredTable } from './backup-reader';
import { card, instrument, motif, route, setList, take, tune } from './schema';

export type RestoreMode = 'merge' | 'replace';

/** A backup that was read: what it holds, and where its rows wait. */
export type ReadBackup = { readonly index: BackupIndex; readonly path: string };

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
		const known = new Map<string, number>();
		for (let after = NO_ID; ;) {
			const rows = await db
				.select({
					id: table.id,
					updatedAt: table.updatedAt,
					deletedAt: table === tune ? tune.deletedAt : sql<null>`null`
				})
				.from(table as typeof tune)
				.where(gt(table.id, after))
				.orderBy(asc(table.id))
				.limit(ROWS_AT_ONCE);
			for (const { id, updatedAt, deletedAt } of rows) {
				// What was deleted is not there: the file brings it back.
				known.set(id, deletedAt ? -Infinity : updatedAt.getTime());
			}
			await pause();
			if (rows.length < ROWS_AT_ONCE) return known;
			after = rows[rows.length - 1].id;
		}
	};
	return {
		tunes: await read(tune),
		routes: await read(route),
		motifs: await read(motif),
		sets: await read(setList),
		instruments: await read(instrument),
		cards: await read(card),
		takes: await read(take)
	};
}
/** Before every id. */
const NO_ID = '00000000-0000-0000-0000-000000000000';
const ROWS_AT_ONCE = 500;

/** What is to be done with one kind: rows that are new, and rows that replace older ones. */
type Work = {
	readonly added: readonly string[];
	readonly changed: readonly string[];
	readonly counts: RestoreCounts;
};

function workOn(rows: BackupIndex[RestoreKind], known: Known, mode: RestoreMode): Work {
	const added: string[] = [];
	const changed: string[] = [];
	let kept = 0;
	for (const [id, time] of rows) {
		const there = known.get(id);
		if (there === undefined) added.push(id);
		else if (mode === 'replace' ? time !== there : time > there) changed.push(id);
		else kept++;
	}
	const inFile = new Set(rows.map(([id]) => id));
	const removed = mode === 'replace' ? [...known.keys()].filter((id) => !inFile.has(id)).length : 0;
	return {
		...{ added, changed },
		counts: { added: added.length, changed: changed.length, kept, removed }
	};
}

type Plan = { readonly [K in RestoreKind]: Work };

async function planOf(db: Database, index: BackupIndex, mode: RestoreMode): Promise<Plan> {
	const known = await knownOf(db);
	return Object.fromEntries(
		RESTORE_KINDS.map((kind) => [kind, workOn(index[kind], known[kind], mode)])
	) as Plan;
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
	{ index }: ReadBackup,
	mode: RestoreMode
): Promise<RestoreAnswer> {
	const how = (await isEmpty(db)) ? 'replace' : mode;
	return answerOf(await planOf(db, index, how), mode, false);
}

/** Rows that are taken away in one statement, with all that hangs on them. */
const GONE_AT_ONCE = 100;
/** Ids that are noted in one statement. */
const IDS_AT_ONCE = 1000;

/** Takes away what the file replaces: parents before what hangs on them, so that nothing is left over. */
async function clear(tx: Database, plan: Plan, mode: RestoreMode): Promise<void> {
	const gone = async (
		table: typeof route | typeof motif | typeof setList | typeof instrument | typeof take,
		ids: readonly string[]
	) => {
		for (let i = 0; i < ids.length; i += GONE_AT_ONCE) {
			await tx.delete(table).where(inArray(table.id, ids.slice(i, i + GONE_AT_ONCE)));
			await pause();
		}
	};
	if (mode === 'merge') {
		await gone(take, plan.takes.changed);
		await gone(route, plan.routes.changed);
		await gone(motif, plan.motifs.changed);
		await gone(setList, plan.sets.changed);
		await gone(instrument, plan.instruments.changed);
		return;
	}
	// Row by row these would be many statements; this is one.
	const names = Object.keys(RESTORED).map((name) => sql.identifier(name));
	await tx.execute(sql`truncate ${sql.join(names, sql`, `)}`);
	await pause();
}

/** Tells the database how large a table is, so that it finds rows by their index; a small sample does. */
async function lookOver(db: Database, table: string): Promise<void> {
	await db.execute(sql`set local default_statistics_target = 5`);
	await db.execute(sql`analyze ${sql.identifier(table)}`);
	await pause();
}

/** Tells the embedded database, which does not look by itself, how large its tables are; called at start. */
export const lookOverAll = (db: Database): Promise<void> =>
	atomically(db, async (tx) => {
		for (const table of Object.keys(RESTORED)) await lookOver(tx, table);
	});

/** Lets others be answered, and tells that the database goes on. */
async function pause(): Promise<void> {
	beat();
	await setImmediate();
}

const columnsOf = (table: RestoredTable): string[] =>
	Object.values(getTableColumns(RESTORED[table])).map(({ name }) => name);
const quoted = (names: readonly string[], of = ''): SQL =>
	sql.raw(names.map((name) => `${of}"${name}"`).join(', '));

/** The ids that a merge takes from the file; a notebook that is replaced takes all. */
const CHOSEN: Partial<Record<RestoredTable, string>> = {
	set_item: 'set_id',
	take_change: 'take_id'
};

/** A part of the rows of a table, as a source to insert from. */
const partOf = (table: RestoredTable, json: string, mode: RestoreMode): SQL => {
	const rows = sql`json_populate_recordset(null::${sql.identifier(table)}, ${json}::json) r`;
	if (mode === 'replace' || table === 'player') return rows;
	const id = sql.raw(`r."${CHOSEN[table] ?? 'id'}"`);
	return sql`${rows} where exists (select 1 from restore_chosen c where c.id = ${id})`;
};

/** Sets the columns of a row that is there to what the file has. */
const taken = (names: readonly string[], from: string): SQL =>
	sql.raw(names.map((name) => `"${name}" = ${from}."${name}"`).join(', '));

/** How the rows of a table are written where it is not simply added to. */
async function writePart(
	tx: Database,
	table: RestoredTable,
	json: string,
	mode: RestoreMode
): Promise<void> {
	const all = columnsOf(table);
	const source = partOf(table, json, mode);
	const into = sql`insert into ${sql.identifier(table)} (${quoted(all)})`;
	if (table === 'tune' && mode === 'merge') {
		const rest = all.filter((name) => name !== 'id' && name !== 'created_at' && name !== 'version');
		// A page that was opened before must notice.
		await tx.execute(sql`${into} select ${quoted(all, 'r.')} from ${source}
			on conflict (id) do update set ${taken(rest, 'excluded')},
			version = greatest(excluded.version, tune.version + 1)`);
	} else if (table === 'player') {
		await tx.execute(sql`${into} select ${quoted(all, 'r.')} from ${source}
			on conflict (id) do update set ${taken(['hand_mm', 'scales', 'updated_at'], 'excluded')},
			version = player.version + 1 where player.updated_at < excluded.updated_at`);
	} else if (table === 'card' && mode === 'merge') {
		// Cards are one for a tune, a position and a key: those that are there stay under their own id.
		const what = ['due', 'drill', 'tempo', 'clean_in_row', 'schedule', 'resting', 'updated_at'];
		await tx.execute(sql`insert into restore_card
			select r.id, r.tune_id, r.position, r.key
			from json_populate_recordset(null::card, ${json}::json) r`);
		await tx.execute(sql`update card set ${taken(what, 'r')} from (select r.* from ${source}) r
			where card.id = r.id`);
		await tx.execute(sql`${into} select ${quoted(all, 'r.')} from ${source}
			and not exists (select 1 from card there where there.id = r.id)
			on conflict (tune_id, position, key) do update set ${taken(what, 'excluded')}
			where card.updated_at < excluded.updated_at`);
	} else if (table === 'take' && mode === 'merge') {
		const values = all.map((name) =>
			name === 'card_id' ? 'coalesce(there.id, r."card_id")' : `r."${name}"`
		);
		await tx.execute(sql`${into} select ${sql.raw(values.join(', '))} from (select r.* from ${source}) r
			left join restore_card f on f.id = r.card_id
			left join card there on there.tune_id = f.tune_id
				and there.position = f.position and there.key = f.key`);
	} else {
		await tx.execute(sql`${into} select ${quoted(all, 'r.')} from ${source}`);
	}
}

/** The disk has no room for what a backup holds; nothing of it was kept. */
export class NoRoom extends Error {}

/**
 * Takes a backup in, in one transaction. `merge` adds what is missing and takes what is newer in the file;
 * `replace` leaves nothing but what the file holds. Between the parts others are answered.
 * @throws NoRoom
 */
export async function restore(
	db: Database,
	{ index, path }: ReadBackup,
	mode: RestoreMode
): Promise<RestoreAnswer> {
	return atomically(db, async (tx) => {
		const how = (await isEmpty(tx)) ? 'replace' : mode;
		const plan = await planOf(tx, index, how);
		await clear(tx, plan, how);
		if (how === 'merge') {
			await tx.execute(sql`create temp table restore_chosen (id uuid primary key) on commit drop`);
			await tx.execute(sql`create temp table restore_card
				(id uuid primary key, tune_id uuid, position integer, key text) on commit drop`);
			for (const kind of RESTORE_KINDS) {
				const ids = [...plan[kind].added, ...plan[kind].changed];
				for (let i = 0; i < ids.length; i += IDS_AT_ONCE) {
					const part = JSON.stringify(ids.slice(i, i + IDS_AT_ONCE));
					await tx.execute(sql`insert into restore_chosen
						select value::uuid from json_array_elements_text(${part}::json)
						on conflict do nothing`);
					await pause();
				}
			}
		}
		for (const table of Object.keys(RESTORED) as RestoredTable[]) {
			const lines = createInterface({
				input: createReadStream(rowsFile(path, table), 'utf8'),
				crlfDelay: Infinity
			});
			for await (const line of lines) {
				if (hasNoRoom()) throw new NoRoom();
				clientGone()?.throwIfAborted();
				await writePart(tx, table, line, how);
				await pause();
			}
		}
		for (const table of Object.keys(RESTORED) as RestoredTable[]) await lookOver(tx, table);
		return answerOf(plan, mode, true);
	});
}
