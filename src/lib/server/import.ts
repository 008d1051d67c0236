import type { Outcome } from '../api/resolve';
import type { ImportAnswer } from '../api/import-schema';
import type { ReadyFile } from '../api/import-file';
import type { Issue } from '../api/chart-schema';
import { atomically, type Database } from './database';
import { handOf, listInstruments } from './instruments';
import { createMotif } from './motifs';
import { inPool } from './pool';
import { createRoute } from './routes';
import { createTune, getTune } from './tunes';

/** A file as it was sent. */
export type SentFile = { readonly name: string; readonly bytes: Uint8Array };

type Onto = {
	readonly id: string;
	readonly title: string;
	readonly chart: string;
	readonly version: number;
};

/** Only the end of a name is shown and read: a path is never one. */
const baseName = (name: string): string => (name.split(/[\\/]/).at(-1) ?? '').slice(-120);

/** Stores what a file holds; ids are null where nothing is stored. */
async function store(
	db: Database,
	ready: ReadyFile,
	onto: Onto | null,
	answer: ImportAnswer,
	next: () => Date
): Promise<void> {
	for (const { tune: read, routes } of ready.tunes) {
		const tune = read === null ? onto : await createTune(db, read, next());
		if (!tune) continue;
		if (read !== null) answer.tunes.push({ id: tune.id, title: tune.title });
		for (const { input, plan } of routes) {
			const made = await createRoute(db, tune.id, input, plan, tune.version, next());
			answer.routes.push({ id: made.id, name: made.name });
		}
	}
	for (const record of ready.motifs) {
		const made = await createMotif(db, record);
		answer.motifs.push({ id: made.id, name: made.name });
	}
}

function show(ready: ReadyFile, answer: ImportAnswer): void {
	for (const { tune, title, routes } of ready.tunes) {
		if (tune !== null) answer.tunes.push({ id: null, title });
		answer.routes.push(...routes.map(({ input }) => ({ id: null, name: input.name })));
	}
	answer.motifs.push(...ready.motifs.map(({ name }) => ({ id: null, name })));
}

/**
 * Reads files and stores what they hold, all of them or none.
 * @param onto the tune that lines without chords belong to
 * @param preview nothing is stored
 */
export async function importFiles(
	db: Database,
	files: readonly SentFile[],
	onto: Onto | null,
	preview: boolean
): Promise<Outcome<ImportAnswer>> {
	const [own, hand] = [await listInstruments(db), await handOf(db)];
	const answer: ImportAnswer = { tunes: [], routes: [], motifs: [], warnings: [], files: [] };
	const ready: ReadyFile[] = [];
	const issues: Issue[] = [];
	for (const [i, { name, bytes }] of files.entries()) {
		const shown = baseName(name);
		const read = await inPool.importFile({ name: shown, bytes, onto, own, hand });
		if ('error' in read) {
			issues.push({
				path: `file.${i}`,
				message: `${shown || 'A file without a name'}: ${read.error}`
			});
			continue;
		}
		const file = read.value;
		ready.push(file);
		answer.files.push({
			name: shown,
			kind: file.kind,
			understood: [...file.understood],
			leftOut: [...file.leftOut]
		});
		answer.warnings.push(
			...file.leftOut.map((text) => (files.length > 1 ? `${shown}: ${text}` : text))
		);
	}
	if (issues.length > 0) return { error: issues };
	if (preview) for (const file of ready) show(file, answer);
	else {
		// Each thing a little later than the one before, so that lists keep the order of the files.
		let time = Date.now();
		const next = () => new Date(time++);
		await atomically(db, async (tx) => {
			for (const file of ready) await store(tx, file, onto, answer, next);
		});
	}
	return { value: answer };
}

/** The tune that a line is brought onto, with its version. */
export const tuneFor = async (db: Database, id: string): Promise<Onto | null> => getTune(db, id);
