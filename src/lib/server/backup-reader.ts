import type { Result } from '$core/kernel';
import { getTableColumns, type Table } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import { closeSync, openSync, writeSync } from 'node:fs';
import type { z } from 'zod';
import { BACKUP_HEAD, BACKUP_ROWS, type BackupRow, MOST_ROWS } from '../api/backup-schema';
import { Wholeness } from '../api/backup-wholeness';
import { type Issue } from '../api/chart-schema';
import { FORMAT_VERSION } from '../api/document-schema';
import { RESTORE_KINDS, type RestoreKind } from '../api/restore-kinds';
import { UNSTORABLE, unstorablePath } from '../api/storable';
import { readTune } from '../api/tune-reading';
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

/** The tables of a backup, in the order in which they can be written. */
export const RESTORED = {
	tune,
	route,
	motif,
	instrument,
	set_list: setList,
	set_item: setItem,
	player,
	card,
	take,
	take_change: takeChange
} as const;

export type RestoredTable = keyof typeof RESTORED;

/** Where the rows of a table wait to be written: a line is a part of them, as a JSON list of database rows. */
export const rowsFile = (path: string, table: RestoredTable): string => `${path}.${table}`;

/** What a backup holds: ids with when they were last changed, in ms. The rows themselves wait in files. */
export type BackupIndex = {
	readonly [K in RestoreKind]: readonly (readonly [id: string, updatedAt: number])[];
};

/**
 * Why a backup cannot be read: it is no JSON, breaks a rule, is unpacked larger than anything that belongs to a
 * notebook, or the disk has no room for its rows.
 */
export type BackupFault =
	| { readonly kind: 'no-json' | 'broken'; readonly issues: readonly Issue[] }
	| { readonly kind: 'too-large' | 'no-room' };

export type BackupReading = Result<BackupIndex, BackupFault>;

export const MOST_ISSUES = 20;

/** Characters of a part of the rows. */
export const PART = 48 * 1024;

/** Rows of one table on their way into its file. */
class RowWriter {
	private readonly file: number;
	private readonly columns: readonly (readonly [string, string])[];
	private waiting: string[] = [];
	private size = 0;

	constructor(path: string, table: Table) {
		this.file = openSync(path, 'w');
		this.columns = Object.entries(getTableColumns(table)).map(([key, { name }]) => [key, name]);
	}

	/** @param row by the names of the schema; what it lacks becomes null */
	add(row: object): void {
		const values = row as Record<string, unknown>;
		const named = Object.fromEntries(this.columns.map(([key, name]) => [name, values[key]]));
		const text = JSON.stringify(named);
		this.waiting.push(text);
		this.size += text.length;
		if (this.size >= PART) this.flush();
	}

	private flush(): void {
		if (this.waiting.length > 0) writeSync(this.file, `[${this.waiting.join(',')}]\n`);
		[this.waiting, this.size] = [[], 0];
	}

	close(): void {
		this.flush();
		closeSync(this.file);
	}
}

const toIssue =
	(at: string) =>
	({ path, message }: z.core.$ZodIssue): Issue => ({
		path: [at, ...path].filter((part) => part !== '').join('.'),
		message
	});

export const isKind = (name: string): name is RestoreKind =>
	(RESTORE_KINDS as readonly string[]).includes(name);

/** Takes a backup in row by row: looks at each, and lays those of every table ready. */
export class BackupReader {
	readonly issues: Issue[] = [];
	private readonly whole = new Wholeness((issue) => this.say(issue));
	private readonly index = Object.fromEntries(
		RESTORE_KINDS.map((kind) => [kind, [] as [string, number][]])
	) as { [K in RestoreKind]: [string, number][] };
	private readonly writers: { readonly [K in RestoredTable]: RowWriter };
	private readonly head: Record<string, unknown> = {};
	/** Times of making ascend, so that the order of the file stays the order of the notebook. */
	private readonly last = new Map<RestoreKind, number>();

	constructor(path: string) {
		this.writers = Object.fromEntries(
			Object.entries(RESTORED).map(([name, table]) => [
				name,
				new RowWriter(rowsFile(path, name as RestoredTable), table)
			])
		) as typeof this.writers;
	}

	say(issue: Issue): void {
		if (this.issues.length < MOST_ISSUES) this.issues.push(issue);
	}

	/** A field of the document that is no list of rows. */
	field(name: string, value: unknown): void {
		this.head[name] = value;
		const { formatVersion: version } = this.head;
		if (name !== 'formatVersion' || typeof version !== 'number' || version <= FORMAT_VERSION)
			return;
		const message = 'The backup was written by a newer Arc Step; bring this one up to date first.';
		this.issues.unshift({ path: 'formatVersion', message });
	}

	row(kind: RestoreKind, value: unknown): void {
		const i = this.index[kind].length;
		const at = `${kind}.${i}`;
		if (i >= MOST_ROWS[kind])
			return this.say({ path: kind, message: `At most ${MOST_ROWS[kind]}.` });
		const read = BACKUP_ROWS[kind].safeParse(value);
		if (!read.success) {
			this.index[kind].push(['', 0]);
			for (const issue of read.error.issues) this.say(toIssue(at)(issue));
			return;
		}
		const row = read.data;
		const unstorable = unstorablePath(value, JSON.stringify(value));
		if (unstorable !== null) this.say({ path: `${at}.${unstorable}`, message: UNSTORABLE });
		this.whole.add(kind, row, at);
		this.index[kind].push([row.id, new Date(row.updatedAt).getTime()]);
		const time = Math.max(
			new Date(row.createdAt).getTime(),
			(this.last.get(kind) ?? -Infinity) + 1
		);
		this.last.set(kind, time);
		this.lay(kind, { ...row, createdAt: new Date(time).toISOString() });
	}

	private lay(kind: RestoreKind, row: BackupRow[RestoreKind]): void {
		const { writers } = this;
		switch (kind) {
			case 'tunes': {
				const { chart, ...rest } = row as BackupRow['tunes'];
				return writers.tune.add({ ...rest, ...readTune(chart), deletedAt: null });
			}
			case 'routes':
				return writers.route.add(row);
			case 'motifs':
				return writers.motif.add(row);
			case 'instruments':
				return writers.instrument.add(row);
			case 'cards':
				return writers.card.add(row);
			case 'sets': {
				const { tunes, ...set } = row as BackupRow['sets'];
				writers.set_list.add(set);
				tunes.forEach((tuneId, place) =>
					writers.set_item.add({ id: randomUUID(), setId: set.id, tuneId, place })
				);
				return;
			}
			case 'takes': {
				const { changes, ...one } = row as BackupRow['takes'];
				writers.take.add(one);
				const { id: takeId, tuneId, position, key } = one;
				for (const change of changes)
					writers.take_change.add({ takeId, tuneId, position, key, ...change });
			}
		}
	}

	/** What came of it; `lists` are the kinds that the document had. */
	done(lists: ReadonlySet<string>): BackupReading {
		for (const kind of RESTORE_KINDS) {
			if (!lists.has(kind)) this.head[kind] = undefined;
		}
		const read = BACKUP_HEAD.safeParse(this.head);
		for (const issue of read.error?.issues ?? []) this.say(toIssue('')(issue));
		for (const kind of RESTORE_KINDS) {
			if (!lists.has(kind)) this.say({ path: kind, message: 'This list is missing.' });
		}
		this.whole.finish();
		if (read.data?.player) this.writers.player.add({ id: 1, ...read.data.player });
		for (const writer of Object.values(this.writers)) writer.close();
		return this.issues.length > 0
			? { error: { kind: 'broken', issues: this.issues.slice(0, MOST_ISSUES) } }
			: { value: this.index };
	}

	close(): void {
		for (const writer of Object.values(this.writers)) writer.close();
	}
}
