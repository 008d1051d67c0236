import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { Piscina } from 'piscina';
import type { PlanAnswer, PlanInput } from '../api/plan-schema';
import type { Outcome } from '../api/resolve';
import { projectRoot } from './paths';

const held = globalThis as typeof globalThis & { arcStepPool?: Piscina };

/** Plans in a thread of its own, so that other requests are answered meanwhile. */
export function planInPool(input: PlanInput): Promise<Outcome<PlanAnswer>> {
	held.arcStepPool ??= new Piscina<PlanInput, Outcome<PlanAnswer>>({
		filename: join(projectRoot(), 'build', 'pool', 'plan.js'),
		minThreads: 1,
		// Two at least: a small plan need not wait for a large one.
		maxThreads: Math.max(2, availableParallelism() - 1)
	});
	return held.arcStepPool.run(input);
}

/** Lets running plans finish and ends the threads. */
export async function closePool(): Promise<void> {
	await held.arcStepPool?.close();
	held.arcStepPool = undefined;
}
