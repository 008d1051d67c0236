import { runAnalyze } from '../api/analyze';
import type { AnalyzeInput } from '../api/chart-schema';
import { runCheck } from '../api/check';
import { runJudge } from '../api/judge';
import { runCoverage, runPositions, runShapes } from '../api/neck';
import { runPhrase } from '../api/phrase';
import { runPlan } from '../api/plan';
import type { PlanInput } from '../api/plan-schema';
import type { Outcome } from '../api/resolve';
import { planSnapshot } from '../api/snapshot';
import { runTake } from '../api/take';
export { readTune } from '../api/tune-reading';

/** What the short lane can do; large answers leave it as text. */
export const plan = (input: PlanInput) => runPlan(input);
export const snapshot = planSnapshot;
export const check = runCheck;
export const judge = runJudge;
export const take = runTake;
export const phrase = runPhrase;
export const positions = runPositions;
export const shapes = runShapes;
export const coverage = runCoverage;

/** Analyses a chart; the answer is JSON. */
export function analyze(input: AnalyzeInput): Outcome<string> {
	const outcome = runAnalyze(input);
	return 'error' in outcome ? outcome : { value: JSON.stringify(outcome.value) };
}
