import { proxy, wrap, type Remote } from 'comlink';
import type { PlanWorker } from './plan.worker';

/** How long a superseded plan may go on before its worker is ended, in ms. */
const PATIENCE = 250;

/**
 * Plans in a web worker. A newer request makes an older one worthless: it answers null, and when it
 * runs for long its worker is ended and a fresh one takes over.
 */
export class Planner {
	private worker: Worker | null = null;
	private remote: Remote<PlanWorker> | null = null;
	private latest = 0;
	private startedAt = 0;
	private running = false;
	private waiting = new Set<() => void>();

	private open(): Remote<PlanWorker> {
		if (this.remote) return this.remote;
		this.worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
		this.remote = wrap<PlanWorker>(this.worker);
		return this.remote;
	}

	/** Starts the worker and lets it warm up. */
	warm(): void {
		this.open();
	}

	/** Runs a plan; null when a newer one has been asked for meanwhile. A long one tells how far it is. */
	async plan(
		request: Parameters<PlanWorker['plan']>[0],
		progress?: (share: number) => void
	): Promise<ReturnType<PlanWorker['plan']> | null> {
		const ticket = ++this.latest;
		if (this.running && performance.now() - this.startedAt > PATIENCE) this.restart();
		this.running = true;
		this.startedAt = performance.now();
		const heard = progress && proxy(progress);
		const answer = await this.whileOpen<ReturnType<PlanWorker['plan']>>(
			heard ? this.open().plan(request, heard) : this.open().plan(request)
		);
		if (ticket !== this.latest) return null;
		this.running = false;
		return answer;
	}

	/** Ranks the landings of one change; null when the worker was ended meanwhile. */
	landings(
		...args: Parameters<PlanWorker['landings']>
	): Promise<ReturnType<PlanWorker['landings']> | null> {
		return this.whileOpen<ReturnType<PlanWorker['landings']>>(this.open().landings(...args));
	}

	/** Truly different plans; null when the worker was ended meanwhile. */
	alternatives(
		...args: Parameters<PlanWorker['alternatives']>
	): Promise<ReturnType<PlanWorker['alternatives']> | null> {
		return this.whileOpen<ReturnType<PlanWorker['alternatives']>>(
			this.open().alternatives(...args)
		);
	}

	/** Waits for an answer, but not for a worker that has been ended. */
	private whileOpen<T>(answer: PromiseLike<T>): Promise<T | null> {
		return new Promise((resolve, reject) => {
			const giveUp = () => resolve(null);
			this.waiting.add(giveUp);
			Promise.resolve(answer)
				.then(resolve, reject)
				.finally(() => this.waiting.delete(giveUp));
		});
	}

	private restart(): void {
		this.close();
		this.open();
	}

	close(): void {
		this.worker?.terminate();
		this.worker = null;
		this.remote = null;
		this.running = false;
		for (const giveUp of this.waiting) giveUp();
		this.waiting.clear();
	}
}
