import type { Anchors } from './route-schema';
import { chartTicks, type Chart } from '$core/chart';
import { buildScale } from '$core/harmony';
import { parseNote } from '$core/pitch';
import { changeOfAnchor, type Frozen, type HandScale } from '$core/route';

/** Frozen ways: from their change to the next one of the chart. */
export function frozenOf(chart: Chart, anchors: Anchors): Frozen[] {
	return anchors.frozen.flatMap((way) => {
		const change = changeOfAnchor(chart, way);
		if (!change) return [];
		const to = chart.changes[change.index + 1]?.tick ?? chartTicks(chart);
		const notes = way.notes.map(({ offset, ...note }) => ({ ...note, tick: change.tick + offset }));
		return [{ from: change.tick, to, notes }];
	});
}

/** Scales set by hand: each from its change until the next. */
export function scalesOf(chart: Chart, anchors: Anchors): HandScale[] {
	return anchors.scales.flatMap((entry) => {
		const change = changeOfAnchor(chart, entry);
		const tonic = parseNote(entry.tonic);
		const scale = tonic && buildScale(tonic, entry.name);
		if (!change || !scale) return [];
		const until = chart.changes[change.index + 1]?.to.index ?? chart.events.length;
		return chart.events
			.slice(change.to.index, until)
			.map(({ index }): HandScale => ({ event: index, scale }));
	});
}
