import { error } from '@sveltejs/kit';
import PQueue from 'p-queue';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { Piscina } from 'piscina';
import { clientGone } from './leaving';
import { projectRoot } from './paths';

/**
 * Where work is done, off the main thread. What is usually short has threads of its own and never waits behind
 * pages, files and what turned out to be long.
 */
export type Lane = {
	/** The file that its threads run. */
	readonly file: string;
	readonly threads: number;
	/** Jobs that may wait; one more is refused. */
	readonly waiting: number;
	readonly longestWaitMs: number;
};

const inPool = (name: string): string => join(projectRoot(), 'build', 'pool', name);

const SHORT: Lane = {
	file: inPool('compute.js'),
	// Two at least: a small plan need not wait for a large one.
	threads: Math.max(2, availableParallelism() - 1),
	waiting: 128,
	longestWaitMs: 20_000
};
const LONG: Lane = {
	file: inPool('pages.js'),
	threads: Math.max(1, Math.floor(availableParallelism() / 2)),
	waiting: 128,
	longestWaitMs: 60_000
};

/** What a job of the short lane may take there; one that takes longer begins again in the other. */
const SHORT_MS = 4000;
/** What a thread may hold; one that needs more ends, and its job with it. */
const MEMORY = { maxOldGenerationSizeMb: 384, maxYoungGenerationSizeMb: 16 };

/** Where many servers are started for a moment: threads begin with the first job, and warm nothing up. */
const COLD = Boolean(process.env.ARC_STEP_COLD);

/** The threads of a lane and what waits for them. */
export class Workers {
	private readonly threads: Piscina;
	private readonly queue: PQueue;
	/** What ends each job that waits or runs. */
	private readonly ends = new Set<AbortController>();

	constructor(private readonly lane: Lane) {
		this.threads = new Piscina({
			filename: lane.file,
			// A thread that was ended is replaced at once, before the next job needs it.
			minThreads: COLD ? 0 : lane.threads,
			maxThreads: lane.threads,
			idleTimeout: Infinity,
			resourceLimits: MEMORY
		});
		// A thread that fails between two jobs, or as it begins, is replaced; nobody waits for it.
		this.threads.on('error', (problem: Error) =>
			console.error(`A thread has ended: ${problem.message}`)
		);
		// A job leaves this queue only when a thread is free: its time begins when it begins.
		this.queue = new PQueue({ concurrency: lane.threads });
	}

	/** @throws `Long` when it takes longer, a 503 when it cannot begin soon, the reason when its client leaves */
	async run<T>(name: string, input: unknown, longestMs: number): Promise<T> {
		if (this.queue.size >= this.lane.waiting) throw refusal(BUSY);
		const end = new AbortController();
		const client = clientGone();
		const leave = () => end.abort(client?.reason);
		client?.addEventListener('abort', leave);
		if (client?.aborted) leave();
		this.ends.add(end);
		let timer = setTimeout(() => end.abort(refusal(BUSY)), this.lane.longestWaitMs);
		try {
			return await this.queue.add(
				() => {
					clearTimeout(timer);
					timer = setTimeout(() => end.abort(new Long()), longestMs);
					return this.threads.run(input, { name, signal: end.signal }) as Promise<T>;
				},
				{ signal: end.signal }
			);
		} catch (problem) {
			throw end.signal.aborted ? end.signal.reason : problem;
		} finally {
			clearTimeout(timer);
			client?.removeEventListener('abort', leave);
			this.ends.delete(end);
		}
	}

	/** Ends what runs and what waits. */
	async close(): Promise<void> {
		for (const end of this.ends) end.abort(refusal(STOPPING));
		await this.threads.destroy();
	}
}

/** A job took longer than it may. */
export class Long extends Error {}

const BUSY = 'The server has too much to do just now. Nothing was changed; try again in a moment.';
const STOPPING = 'The server is being stopped. Nothing was changed.';

/** What answers 503. */
function refusal(words: string): unknown {
	try {
		error(503, words);
	} catch (refused) {
		return refused;
	}
}

// One pair a process, also when the development server loads this module again.
const held = globalThis as typeof globalThis & {
	arcStepLanes?: Map<Lane, Workers>;
	arcStepStopping?: boolean;
};
function workersOf(lane: Lane): Workers {
	if (held.arcStepStopping) throw refusal(STOPPING);
	held.arcStepLanes ??= new Map();
	const workers = held.arcStepLanes.get(lane) ?? new Workers(lane);
	held.arcStepLanes.set(lane, workers);
	return workers;
}

/**
 * Does what is usually short. A job that is not ends and begins again among the long ones.
 * @param longestMs how long it may take there
 * @param told what the player reads when it takes longer
 * @throws 503 when too much waits, 422 when it takes too long
 */
export async function short<T>(
	name: string,
	input: unknown,
	told: string,
	longestMs = 30_000
): Promise<T> {
	try {
		return await workersOf(SHORT).run<T>(name, input, SHORT_MS);
	} catch (problem) {
		if (!(problem instanceof Long) && !isTooMuch(problem)) throw problem;
		return long<T>(name, input, told, longestMs);
	}
}

/** Whether a thread ended because a job wanted more memory than it may have. */
const isTooMuch = (problem: unknown): boolean =>
	(problem as NodeJS.ErrnoException).code === 'ERR_WORKER_OUT_OF_MEMORY';

/** Does what may be long: pages, files, backups. */
export async function long<T>(
	name: string,
	input: unknown,
	told: string,
	longestMs: number
): Promise<T> {
	try {
		return await workersOf(LONG).run<T>(name, input, longestMs);
	} catch (problem) {
		if (problem instanceof Long || isTooMuch(problem)) error(422, told);
		throw problem;
	}
}

/** Starts the threads, so that the first who asks finds them warm. */
export function startJobs(): void {
	for (const lane of [SHORT, LONG]) workersOf(lane);
}

/** Ends all work. */
export async function stopJobs(): Promise<void> {
	const all = [...(held.arcStepLanes?.values() ?? [])];
	held.arcStepLanes = undefined;
	held.arcStepStopping = true;
	await Promise.all(all.map((workers) => workers.close()));
}
