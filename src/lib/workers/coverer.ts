import { coverNeck, type CoverageRow } from '$core/route';
import type { CoverageInput } from '$lib/api/neck-schema';
import { resolveChart, resolveInstrument, resolveScale } from '$lib/api/resolve';

/** How long the weighing goes on before a waiting message is heard, in ms. */
const SLICE = 8;

/** Lets a waiting message in between two positions: a newer request, or the wish to stop. */
const breathe = () => new Promise<void>((resolve) => setTimeout(resolve));

/** Weighs every position of a chart, one request at a time. */
export class Coverer {
	private ticket = 0;

	/**
	 * Tries every position; calls back with each as it is done. Resolves when all are, when a newer
	 * request came, or at once when nothing can be weighed.
	 */
	async cover(input: CoverageInput, onrow: (row: CoverageRow) => void): Promise<void> {
		const mine = ++this.ticket;
		const chart = resolveChart(input.chart);
		if ('error' in chart || chart.value.changes.length === 0) return;
		const instrument = resolveInstrument(chart.value, input.instrument);
		const scale = resolveScale(chart.value, input.scale);
		if ('error' in instrument || 'error' in scale) return;
		const request = {
			chart: chart.value,
			instrument: instrument.value,
			scale: scale.value,
			style: input.style ?? 'nearest'
		} as const;
		let since = performance.now();
		for (const row of coverNeck(request)) {
			if (mine !== this.ticket) return;
			onrow(row);
			if (performance.now() - since < SLICE) continue;
			await breathe();
			since = performance.now();
		}
	}
}
