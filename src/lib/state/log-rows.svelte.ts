import type { Log, LogTake } from '$lib/api/log-page';

type Block = { readonly of: Log; readonly takes: readonly LogTake[] };

/**
 * The takes of a log that is scrolled through. The page brings the first ones, the others are fetched in blocks when
 * they are about to be seen; when the log changes, what is known stays in sight until the new block has come.
 */
export class LogRows {
	private blocks: ReadonlyMap<number, Block> = $state.raw(new Map());
	private log: Log | null = $state.raw(null);
	private asked = new Set<number>();

	/** @param fetchFrom the takes from an index on, as many as a page has; it may fail */
	constructor(private readonly fetchFrom: (skip: number) => Promise<readonly LogTake[]>) {}

	/** Takes a log as the page brings it, with its takes from `skip` on. */
	show(log: Log, skip: number): void {
		if (this.log === log) return;
		const other = this.log?.found !== log.found;
		this.log = log;
		this.asked.clear();
		const size = log.page;
		const block = Math.floor(skip / size);
		const kept = other ? [] : [...this.blocks].filter(([at]) => at !== block);
		// Takes that begin in the middle of a block are fetched again with it.
		const fresh = skip % size === 0 ? [[block, { of: log, takes: log.takes }] as const] : [];
		this.blocks = new Map([...kept, ...fresh]);
	}

	get count(): number {
		return this.log?.found ?? 0;
	}

	/** The take at an index of the whole log, once it is known. */
	at(index: number): LogTake | undefined {
		const size = this.log?.page ?? 1;
		return this.blocks.get(Math.floor(index / size))?.takes[index % size];
	}

	/**
	 * Fetches what is missing of a stretch of the log.
	 * @param from index of the first take; @param to index after the last one
	 */
	async want(from: number, to: number): Promise<void> {
		const { log } = this;
		if (!log || log.found === 0) return;
		const last = Math.floor((Math.min(to, log.found) - 1) / log.page);
		const missing: number[] = [];
		for (let at = Math.floor(Math.max(0, from) / log.page); at <= last; at++) {
			if (this.blocks.get(at)?.of !== log && !this.asked.has(at)) missing.push(at);
		}
		await Promise.all(
			missing.map(async (at) => {
				this.asked.add(at);
				try {
					const takes = await this.fetchFrom(at * log.page);
					if (this.log === log) this.blocks = new Map(this.blocks).set(at, { of: log, takes });
				} finally {
					if (this.log === log) this.asked.delete(at);
				}
			})
		);
	}
}
