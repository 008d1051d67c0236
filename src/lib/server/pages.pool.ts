import { setPriority } from 'node:os';
import { runImport } from '../api/import-file';
import { readTune, type TuneReading } from '../api/tune-reading';
import { readBackup as read } from './restore-reading';
import type { BackupReading } from './backup-reader';
import { sheetPdf, sheetSvg } from './sheet/make';

export * from './compute-jobs';

/** What the long lane can do beside everything that the short one can. */
export const importFile = runImport;
export const svg = sheetSvg;
export const pdf = sheetPdf;
export const readBackup = async ({
	path,
	packed
}: {
	path: string;
	packed: boolean;
}): Promise<BackupReading> => {
	try {
		return await read(path, packed);
	} catch (error) {
		const { code } = error as NodeJS.ErrnoException;
		if (code === 'ENOSPC' || code === 'EDQUOT') return { error: { kind: 'no-room' } };
		throw error;
	}
};
export const readTunes = (charts: readonly string[]): TuneReading[] => charts.map(readTune);

// On Linux a thread has a priority of its own: what is short, and the server, come first.
if (process.platform === 'linux') setPriority(5);
