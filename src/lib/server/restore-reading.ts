import { Tokenizer, TokenParser, TokenType } from '@streamparser/json';
import { createReadStream } from 'node:fs';
import { createGunzip } from 'node:zlib';
import { BACKUP_HEAD } from '../api/backup-schema';
import { RESTORE_KINDS } from '../api/restore-kinds';
import { type BackupReading, BackupReader, isKind, MOST_ISSUES, PART } from './backup-reader';

/** Bytes that a packed backup may unpack to. */
const MOST_UNPACKED = 8 * 1024 ** 3;

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
