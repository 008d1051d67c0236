import type { Result } from '$core/kernel';
import type { AnalyzeInput } from '../api/chart-schema';
import type { ImportRequest, ReadyFile } from '../api/import-file';
import type {
	CoverageAnswer,
	CoverageInput,
	PositionsAnswer,
	PositionsInput,
	ShapesAnswer,
	ShapesInput
} from '../api/neck-schema';
import type { PlanSnapshot } from '../api/notebook-schema';
import type { PhraseAnswer, PhraseInput } from '../api/phrase-schema';
import type { CheckAnswer, CheckInput, PlanAnswer, PlanInput } from '../api/plan-schema';
import type { JudgeAnswer, JudgeInput } from '../api/practice-schema';
import type { Outcome } from '../api/resolve';
import type { SnapshotRequest } from '../api/snapshot';
import type { JudgedTake, TakeRequest } from '../api/take';
import type { TuneReading } from '../api/tune-reading';
import { long, short } from './jobs';
import type { BackupReading } from './restore-reading';
import type { SheetRequest } from './sheet/make';

const TOO_MUCH = 'This takes too long to compute: give fewer bars, or a coarser grid.';
const UNREADABLE = 'This takes too long to read; a tune is simpler.';
const NO_PAGE = 'The page takes too long to draw: a tune with fewer bars fits on paper.';

/** Plans in a thread of its own, so that other requests are answered meanwhile. */
export const planInPool = (input: PlanInput): Promise<Outcome<PlanAnswer>> =>
	short('plan', input, TOO_MUCH);

/** Plans a route as it is kept. */
export const snapshotInPool = (request: SnapshotRequest): Promise<Outcome<PlanSnapshot>> =>
	short('snapshot', request, TOO_MUCH);

/** Judges a line. */
export const checkInPool = (input: CheckInput): Promise<Outcome<CheckAnswer>> =>
	short('check', input, TOO_MUCH);

/** Judges a take. */
export const judgeInPool = (input: JudgeInput): Promise<Outcome<JudgeAnswer>> =>
	short('judge', input, TOO_MUCH);

/** Judges a take of a drill as it is kept. */
export const takeInPool = (request: TakeRequest): Promise<Outcome<JudgedTake>> =>
	short('take', request, TOO_MUCH);

/** Makes a phrase of a motif. */
export const phraseInPool = (input: PhraseInput): Promise<Outcome<PhraseAnswer>> =>
	short('phrase', input, TOO_MUCH);

/** Lays a scale out on the neck. */
export const positionsInPool = (input: PositionsInput): Promise<Outcome<PositionsAnswer>> =>
	short('positions', input, TOO_MUCH);

/** Finds the shapes, double stops and bends of a chord in one position. */
export const shapesInPool = (input: ShapesInput): Promise<Outcome<ShapesAnswer>> =>
	short('shapes', input, TOO_MUCH);

/** Tries every position of the neck. */
export const coverageInPool = (input: CoverageInput): Promise<Outcome<CoverageAnswer>> =>
	short('coverage', input, TOO_MUCH);

/** Analyses a chart in a thread of its own; the answer is JSON. */
export const analyzeInPool = (input: AnalyzeInput): Promise<Outcome<string>> =>
	short('analyze', input, TOO_MUCH);

/** Reads a chart for keeping. */
export const readTuneInPool = (chart: string): Promise<TuneReading> =>
	short('readTune', chart, UNREADABLE);

/** Reads several charts, which may take a while. */
export const readTunesInPool = (charts: readonly string[]): Promise<TuneReading[]> =>
	long('readTunes', charts, UNREADABLE, 120_000);

/** Reads a file to the point where it only has to be stored; a problem is told in words. */
export const importInPool = (request: ImportRequest): Promise<Result<ReadyFile, string>> =>
	long('importFile', request, `${request.name}: the file takes too long to read.`, 15_000);

/** Reads a backup from its file and lays its rows ready beside it. */
export const readBackupInPool = (path: string, packed: boolean): Promise<BackupReading> =>
	long('readBackup', { path, packed }, 'The backup takes too long to read.', 900_000);

/** The pages for the music stand as SVG. */
export const sheetSvgInPool = (request: SheetRequest): Promise<string[]> =>
	long('svg', request, NO_PAGE, 20_000);

/** The same as a PDF. */
export const sheetPdfInPool = (request: SheetRequest): Promise<Uint8Array<ArrayBuffer>> =>
	long('pdf', request, NO_PAGE, 30_000);
