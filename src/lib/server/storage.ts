import {
	closeSync,
	cpSync,
	existsSync,
	fsyncSync,
	mkdirSync,
	openSync,
	readdirSync,
	readFileSync,
	renameSync,
	rmSync,
	statfsSync,
	statSync,
	writeSync
} from 'node:fs';
import { join } from 'node:path';
import { StartProblem } from './start-problem';

const MIB = 1024 * 1024;
const DEFAULT_LEAST_FREE_MB = 100;

/** Bytes that must be free where the notebook lies, so that it can grow for a while. */
function leastFree(): number {
	const text = process.env.ARC_STEP_MIN_FREE_MB;
	const wanted = text ? Number(text) : DEFAULT_LEAST_FREE_MB;
	if (wanted >= 0) return wanted * MIB;
	throw new StartProblem(`ARC_STEP_MIN_FREE_MB is ${text}; it must be a number of megabytes.`);
}

const REASONS: Record<string, string> = {
	EACCES: 'permission denied',
	EPERM: 'permission denied',
	EROFS: 'the file system is read-only',
	EEXIST: 'there is a file of that name',
	ENOTDIR: 'there is a file of that name',
	ENOSPC: 'the disk is full',
	EDQUOT: 'the disk is full'
};
const reasonOf = (error: unknown): string => {
	const { code, message } = error as NodeJS.ErrnoException;
	return (code && REASONS[code]) || message;
};
const OTHER = 'or set ARC_STEP_DATA to another folder.';

/** Writes a small file to the disk and takes it away again. */
function tryWriting(folder: string): void {
	const probe = join(folder, '.write-test');
	try {
		const file = openSync(probe, 'w');
		try {
			writeSync(file, 'can be written');
			fsyncSync(file);
		} finally {
			closeSync(file);
		}
	} finally {
		rmSync(probe, { force: true });
	}
}

function sizeOf(path: string): number {
	const found = statSync(path);
	if (!found.isDirectory()) return found.size;
	return readdirSync(path).reduce((sum, name) => sum + sizeOf(join(path, name)), 0);
}

/**
 * Makes the folder with its parents where it is missing.
 * @throws StartProblem when that cannot be done.
 */
export function makeFolder(folder: string): void {
	try {
		mkdirSync(folder, { recursive: true });
	} catch (error) {
		throw new StartProblem(
			`The data folder ${folder} cannot be made (${reasonOf(error)}); make it by hand, ${OTHER}`
		);
	}
}

/**
 * Sees that a folder can be written and has room.
 * @param extra bytes that are needed beside those that must stay free
 * @throws StartProblem when it cannot or has not; nothing is left behind.
 */
export function checkRoom(folder: string, extra = 0): void {
	try {
		for (const path of [folder, join(folder, 'pg')]) if (existsSync(path)) tryWriting(path);
	} catch (error) {
		// A full disk is told below, with its figures.
		if ((error as NodeJS.ErrnoException).code !== 'ENOSPC') {
			throw new StartProblem(
				`The data folder ${folder} cannot be written (${reasonOf(error)}); make it writable, ${OTHER}`
			);
		}
	}
	const { bavail, bsize } = statfsSync(folder);
	const free = bavail * bsize;
	const needed = leastFree() + extra;
	if (free < needed) {
		const [have, want] = [Math.floor(free / MIB), Math.ceil(needed / MIB)];
		throw new StartProblem(
			`Only ${have} MB are free where the data folder ${folder} lies and ${want} MB are needed; make room, ${OTHER}`
		);
	}
}

/** Told where tables are newer than this Arc Step knows: it could not keep what they hold. */
export const LATER =
	'This notebook was kept by a later version of Arc Step; start that version. Nothing was changed.';

/**
 * Whether so little room is left, a quarter of what a start wants, that nothing more may be written: on a disk
 * that is wholly full the database stops answering.
 */
export function isNearlyFull(folder: string): boolean {
	const { bavail, bsize } = statfsSync(folder);
	return bavail * bsize < leastFree() / 4;
}

const BEFORE = 'pg-before-';

/** The database of a data folder, and the safe copy of it that a change of its tables begins with. */
export class Storage {
	readonly files: string;
	private readonly mark: string;

	constructor(private readonly folder: string) {
		this.files = join(folder, 'pg');
		// Inside, so that a copy carries its own.
		this.mark = join(this.files, 'arc-step-tables');
	}

	/** Clears away what a killed process left half done; a database that was moved aside comes back. */
	tidy(): void {
		for (const name of ['pg-new', 'pg-copying', 'pg-failed']) this.remove(name);
		const [copy] = this.copies();
		if (!existsSync(this.files) && copy) renameSync(join(this.folder, copy), this.files);
	}

	/** Makes the database aside and puts it in its place when it is whole. */
	async create(make: (files: string) => Promise<void>): Promise<void> {
		const aside = join(this.folder, 'pg-new');
		try {
			await make(aside);
			renameSync(aside, this.files);
		} catch (error) {
			this.remove('pg-new');
			throw new StartProblem(
				`The notebook could not be made in ${this.folder} (${reasonOf(error)}); nothing was left there.`
			);
		}
	}

	get exists(): boolean {
		return existsSync(this.files);
	}

	/** The version of the tables; 0 where it is not known. */
	private get version(): number {
		return existsSync(this.mark) ? Number(readFileSync(this.mark, 'utf8')) : 0;
	}

	/**
	 * Copies a database whose tables are older than `version`.
	 * @throws StartProblem when they are newer, or there is no room for the copy
	 */
	copyBefore(version: number): void {
		if (this.version > version) throw new StartProblem(LATER);
		if (this.version === version) return;
		checkRoom(this.folder, sizeOf(this.files));
		const aside = join(this.folder, 'pg-copying');
		cpSync(this.files, aside, { recursive: true });
		for (const name of this.copies()) this.remove(name);
		renameSync(aside, join(this.folder, `${BEFORE}${version}`));
	}

	/** Puts the copy back in place of a database whose change failed. */
	putBack(version: number): void {
		const copy = join(this.folder, `${BEFORE}${version}`);
		if (!existsSync(copy)) return;
		renameSync(this.files, join(this.folder, 'pg-failed'));
		renameSync(copy, this.files);
		this.remove('pg-failed');
	}

	/** Notes that the tables are those of `version` by now. */
	done(version: number): void {
		if (this.version === version) return;
		const file = openSync(`${this.mark}.new`, 'w');
		writeSync(file, String(version));
		fsyncSync(file);
		closeSync(file);
		renameSync(`${this.mark}.new`, this.mark);
	}

	private copies(): string[] {
		return readdirSync(this.folder).filter((name) => name.startsWith(BEFORE));
	}

	private remove(name: string): void {
		rmSync(join(this.folder, name), { recursive: true, force: true });
	}
}
