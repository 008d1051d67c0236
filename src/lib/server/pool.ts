import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { Piscina } from 'piscina';
import type { AnalyzeInput } from '../api/chart-schema';
import type {
	CoverageAnswer,
	CoverageInput,
	PositionsAnswer,
	PositionsInput,
	ShapesAnswer,
	ShapesInput
} from '../api/neck-schema';
import type { CheckAnswer, CheckInput, PlanAnswer, PlanInput } from '../api/plan-schema';
import type { PhraseAnswer, PhraseInput } from '../api/phrase-schema';
import type { JudgeAnswer, JudgeInput } from '../api/practice-schema';
import type { ImportRequest, ReadyFile } from '../api/import-file';
import type { readBackup } from '../api/read-backup';
import type { JudgedTake, TakeRequest } from '../api/take';
import type { Outcome } from '../api/resolve';
import type { PlannedRoute, RouteRequest } from '../api/route';
import { projectRoot } from './paths';
import type { SheetRequest } from './sheet/make';

/** A file that keeps a thread busy longer is given up. */
const LONGEST_IMPORT_MS = 15_000;

const held = globalThis as typeof globalThis & { arcStepPool?: Piscina };

function pool(): Piscina {
	held.arcStepPool ??= new Piscina({
		filename: join(projectRoot(), 'build', 'pool', 'compute.js'),
		minThreads: 1,
		// Two at least: a small plan need not wait for a large one.
		maxThreads: Math.max(2, availableParallelism() - 1)
	});
	return held.arcStepPool;
}

/** Plans in a thread of its own, so that other requests are answered meanwhile. */
export const planInPool = (input: PlanInput): Promise<Outcome<PlanAnswer>> =>
	pool().run(input, { name: 'plan' });

/** Plans a route as it is saved. */
export const routeInPool = (request: RouteRequest): Promise<Outcome<PlannedRoute>> =>
	pool().run(request, { name: 'route' });

/** Judges a line. */
export const checkInPool = (input: CheckInput): Promise<Outcome<CheckAnswer>> =>
	pool().run(input, { name: 'check' });

/** Judges a take. */
export const judgeInPool = (input: JudgeInput): Promise<Outcome<JudgeAnswer>> =>
	pool().run(input, { name: 'judge' });

/** Judges a take of a drill as it is kept. */
export const takeInPool = (request: TakeRequest): Promise<Outcome<JudgedTake>> =>
	pool().run(request, { name: 'take' });

/** Reads a file to the point where it only has to be stored. */
export async function importInPool(
	request: ImportRequest
): Promise<ReadyFile | { readonly problem: string }> {
	const signal = AbortSignal.timeout(LONGEST_IMPORT_MS);
	try {
		return (await pool().run(request, { name: 'importFile', signal })) as ReadyFile;
	} catch (error) {
		if (!signal.aborted) throw error;
		return { problem: 'The file takes too long to read; a tune is simpler.' };
	}
}

/** Reads a backup, which may be large. */
export const readBackupInPool = (
	bytes: Uint8Array<ArrayBuffer>
): Promise<ReturnType<typeof readBackup>> => pool().run(bytes, { name: 'backup' });

/** The pages for the music stand as SVG. */
export const sheetSvgInPool = (request: SheetRequest): Promise<string[]> =>
	pool().run(request, { name: 'svg' });

/** The same as a PDF. */
export const sheetPdfInPool = (request: SheetRequest): Promise<Uint8Array<ArrayBuffer>> =>
	pool().run(request, { name: 'pdf' });

/** Makes a phrase of a motif. */
export const phraseInPool = (input: PhraseInput): Promise<Outcome<PhraseAnswer>> =>
	pool().run(input, { name: 'phrase' });

/** Lays a scale out on the neck. */
export const positionsInPool = (input: PositionsInput): Promise<Outcome<PositionsAnswer>> =>
	pool().run(input, { name: 'positions' });

/** Finds the shapes, double stops and bends of a chord in one position. */
export const shapesInPool = (input: ShapesInput): Promise<Outcome<ShapesAnswer>> =>
	pool().run(input, { name: 'shapes' });

/** Tries every position of the neck. */
export const coverageInPool = (input: CoverageInput): Promise<Outcome<CoverageAnswer>> =>
	pool().run(input, { name: 'coverage' });

/** Analyses a chart in a thread of its own; the answer is JSON. */
export const analyzeInPool = (input: AnalyzeInput): Promise<Outcome<string>> =>
	pool().run(input, { name: 'analyze' });

/** Lets running work finish and ends the threads. */
export async function closePool(): Promise<void> {
	await held.arcStepPool?.close();
	held.arcStepPool = undefined;
}
