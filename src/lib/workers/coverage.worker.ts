import { expose } from 'comlink';
import { coverNeck, type CoverageRow } from '$core/route';
import { resolveChart, resolveInstrument, resolveScale } from '$lib/api/resolve';
import type { CoverageInput } from '$lib/api/neck-schema';

export type CoverageWorker = {
	/** Tries every position; calls back with each as it is done. Resolves when all are, or at once when nothing can be weighed. */
	cover: (input: CoverageInput, onrow: (row: CoverageRow) => void) => Promise<void>;
	/** Gives up what runs; the next position is not begun. */
	cancel: () => void;
};

let ticket = 0;
/** Lets a waiting message in between two positions: a newer request, or the wish to stop. */
const breathe = () => new Promise<void>((resolve) => setTimeout(resolve));

const worker: CoverageWorker = {
	async cover(input, onrow) {
		const mine = ++ticket;
		const chart = resolveChart(input.chart);
		if ('issues' in chart || chart.value.changes.length === 0) return;
		const instrument = resolveInstrument(chart.value, input.instrument);
		const scale = resolveScale(chart.value, input.scale);
		if ('issues' in instrument || 'issues' in scale) return;
		const request = {
			chart: chart.value,
			instrument: instrument.value,
			scale: scale.value,
			style: input.style ?? 'nearest'
		} as const;
		let since = performance.now();
		for (const row of coverNeck(request)) {
			if (mine !== ticket) return;
			onrow(row);
			if (performance.now() - since < SLICE) continue;
			await breathe();
			since = performance.now();
		}
	},
	cancel() {
		ticket++;
	}
};

/** How long the worker goes on before it listens, in ms. */
const SLICE = 8;

expose(worker);
