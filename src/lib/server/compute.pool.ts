import { runAnalyze } from '../api/analyze';
import { sheetPdf, sheetSvg } from './sheet/make';
import type { AnalyzeInput } from '../api/chart-schema';
import { runCoverage, runPositions, runShapes } from '../api/neck';
import { runCheck } from '../api/check';
import { runJudge } from '../api/judge';
import { runPhrase } from '../api/phrase';
import { runImport } from '../api/import-file';
import { readBackup } from '../api/read-backup';
import { runTake } from '../api/take';
import { runPlan } from '../api/plan';
import { runRoute, type RouteRequest } from '../api/route';
import type { PlanInput } from '../api/plan-schema';
import type { Outcome } from '../api/resolve';

/** What the server's thread pool can do; large answers leave it as text. */
export const plan = (input: PlanInput) => runPlan(input);
export const route = (request: RouteRequest) => runRoute(request);
export const check = runCheck;
export const judge = runJudge;
export const take = runTake;
export const importFile = runImport;
export const backup = readBackup;
export const svg = sheetSvg;
export const pdf = sheetPdf;
export const phrase = runPhrase;
export const positions = runPositions;
export const shapes = runShapes;
export const coverage = runCoverage;

/** Analyses a chart; the answer is JSON. */
export function analyze(input: AnalyzeInput): Outcome<string> {
	const outcome = runAnalyze(input);
	return 'issues' in outcome ? outcome : { value: JSON.stringify(outcome.value) };
}
