import { unstorablePath, UNSTORABLE } from '../api/storable';
import type { Result } from '$core/kernel';
import { TokenParser, Tokenizer, TokenType } from '@streamparser/json';
import { getTableColumns, type Table } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import { closeSync, createReadStream, openSync, writeSync } from 'node:fs';
import { createGunzip } from 'node:zlib';
import type { z } from 'zod';
import { BACKUP_HEAD, BACKUP_ROWS, MOST_ROWS, type BackupRow } from '../api/backup-schema';
import { type Issue } from '../api/chart-schema';
import { FORMAT_VERSION } from '../api/document-schema';
import { RESTORE_KINDS, type RestoreKind } from '../api/restore-kinds';
import { readTune } from '../api/tune-reading';
import { Wholeness } from '../api/backup-wholeness';
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

const MOST_ISSUES = 20;
/** Characters of a part of the rows. */
const PART = 48 * 1024;
/** Bytes that a packed backup may unpack to. */
const MOST_UNPACKED = 8 * 1024 ** 3;

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

const isKind = (name: string): name is RestoreKind =>
	(RESTORE_KINDS as readonly string[]).includes(name);

/** Takes a backup in row by row: looks at each, and lays those of every table ready. */
class BackupReader {
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

/** Thrown to end reading early; what is wrong stands in the reader. */
class Enough extends Error {}

/**
 * Reads a backup from its file, packed or not, without ever holding it whole: checks every row, and lays the rows of
 * each table ready in files beside it (`rowsFile`), to be written to the database.
 */
export async function readBackup(path: string, packed: boolean): Promise<BackupReading> {
	const reader = new BackupReader(path);
	const lists = new Set<string>();
	let depth = 0;
	let key: string | null = null;
	let top: 'object' | 'other' | null = null;

	const rows = new TokenParser({
		paths: [
			...RESTORE_KINDS.map((kind) => `$.${kind}.*`),
			...Object.keys(BACKUP_HEAD.shape).map((name) => `$.${name}`)
		],
		keepStack: false
	});
	rows.onValue = ({ value }) => {
		if (key === null) return;
		if (isKind(key)) reader.row(key, value);
		else reader.field(key, value);
		if (reader.issues.length >= MOST_ISSUES) throw new Enough();
	};
	const tokenizer = new Tokenizer({ stringBufferSize: PART });
	tokenizer.onToken = (token) => {
		const { token: kind, value } = token;
		if (top === null) {
			top = kind === TokenType.LEFT_BRACE ? 'object' : 'other';
			if (top === 'other') {
				reader.say({ path: '', message: 'The file is no backup.' });
				throw new Enough();
			}
		}
		if (depth === 1 && kind === TokenType.STRING && key === null) {
			key = String(value);
			if (!isKind(key) && !Object.hasOwn(BACKUP_HEAD.shape, key)) {
				reader.say({ path: key.slice(0, 80), message: `Unknown field: ${key.slice(0, 80)}.` });
				throw new Enough();
			}
		} else if (depth === 1 && key !== null && isKind(key) && kind !== TokenType.COLON) {
			if (kind === TokenType.LEFT_BRACKET) lists.add(key);
			else if (kind !== TokenType.COMMA && kind !== TokenType.RIGHT_BRACE) {
				reader.say({ path: key, message: 'This must be a list.' });
				throw new Enough();
			}
		}
		if (kind === TokenType.LEFT_BRACE || kind === TokenType.LEFT_BRACKET) depth++;
		if (kind === TokenType.RIGHT_BRACE || kind === TokenType.RIGHT_BRACKET) depth--;
		rows.write(token);
		if (depth === 1 && kind === TokenType.COMMA) key = null;
	};
	const fail = (error: Error): never => {
		throw error;
	};
	rows.onError = fail;
	tokenizer.onError = fail;

	try {
		const file = createReadStream(path);
		const bytes = packed ? file.pipe(createGunzip()) : file;
		file.once('error', (error) => bytes.destroy(error));
		// Only to refuse what is no text.
		const decoder = new TextDecoder('utf-8', { fatal: true });
		let size = 0;
		for await (const chunk of bytes as AsyncIterable<Buffer>) {
			size += chunk.byteLength;
			if (size > MOST_UNPACKED) return { error: { kind: 'too-large' } };
			decoder.decode(chunk, { stream: true });
			tokenizer.write(chunk);
		}
		decoder.decode();
		if (!tokenizer.isEnded) tokenizer.end();
		if (depth !== 0 || top === null) throw new SyntaxError('It ends in the middle.');
	} catch (error) {
		reader.close();
		if (error instanceof Enough) return { error: { kind: 'broken', issues: reader.issues } };
		const { code = '' } = error as NodeJS.ErrnoException;
		if (code === 'ENOSPC' || code === 'EDQUOT') throw error;
		const why = error instanceof Error ? error.message : String(error);
		const issues = [{ path: '', message: `The body is not JSON: ${why}` }];
		return { error: { kind: 'no-json', issues } };
	}
	return reader.done(lists);
}
