import { proxy, wrap, type Remote } from 'comlink';
import {
	distinctChords,
	rankCoverage,
	type CoverageRow,
	type RankedPosition,
	type Style
} from '$core/route';
import { instrumentInputOf } from '$lib/api/resolve';
import type { Coverer } from '$lib/workers/coverer';
import type { OpenTune } from './open-tune.svelte';

/** How well the open chart lies in every place, computed in a worker and growing while it comes in. */
export class NeckCoverage {
	rows: readonly CoverageRow[] = $state.raw([]);
	done = $state(false);
	/** The worker could not be started or broke. */
	failed = $state(false);
	readonly ranked: readonly RankedPosition[] = $derived(
		this.rows.length > 0 ? rankCoverage(this.rows) : []
	);
	readonly chords = $derived.by(() => distinctChords({ chart: this.open.chart }));
	readonly best: RankedPosition | undefined = $derived(
		this.ranked.find((entry) => entry.rank === 1)
	);
	readonly here: RankedPosition | undefined = $derived(
		this.ranked.find((entry) => entry.position === this.open.position)
	);
	private worker: Worker | null = null;
	private remote: Remote<Coverer> | null = null;
	private ticket = 0;

	/** @param style what the routes of the tune land on, so that both screens tell the same plan */
	constructor(
		private readonly open: OpenTune,
		private readonly style: () => Style = () => 'guide-tones'
	) {}

	/** Starts anew for the chart and instrument as they are; what ran before is given up. */
	async start(): Promise<void> {
		const mine = ++this.ticket;
		this.rows = [];
		this.done = false;
		this.failed = false;
		const { chart, saved, player } = this.open;
		if (chart.changes.length === 0) return;
		if (!this.remote) {
			this.worker = new Worker(new URL('../workers/coverage.worker.ts', import.meta.url), {
				type: 'module'
			});
			// A worker that cannot start answers nothing: the error is all that comes.
			this.worker.onerror = () => (this.failed = true);
			this.remote = wrap<Coverer>(this.worker);
		}
		const input = {
			chart: saved.chart,
			instrument: instrumentInputOf(chart, player.instruments, player.hand),
			style: this.style()
		};
		const take = proxy((row: CoverageRow) => {
			if (mine === this.ticket) this.rows = [...this.rows, row];
		});
		try {
			await this.remote.cover(input, take);
			if (mine === this.ticket) this.done = true;
		} catch {
			if (mine === this.ticket) this.failed = true;
		}
	}

	close(): void {
		this.ticket++;
		this.worker?.terminate();
		this.worker = null;
		this.remote = null;
	}
}
