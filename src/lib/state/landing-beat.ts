import { chartOf, settleOwn } from '$lib/api/route-anchors';
import type { Anchors, LineSettings, Wishes } from '$lib/api/route-schema';
import type { Chart } from '$core/chart';
import { anchorOf, changeOfAnchor } from '$core/route';

type Anchored = { readonly bar: number; readonly beat: number; readonly pass: number };

/** What is fixed at changes, taken along to where they are landed on now; what is not in the chart waits where it is. */
function along<T extends Anchored>(from: Chart, to: Chart, list: readonly T[]): T[] {
	return list.map((entry) => {
		const change = changeOfAnchor(from, entry);
		const there = change && to.changes.find((other) => other.to.startTick === change.to.startTick);
		return there ? { ...entry, ...anchorOf(there) } : entry;
	});
}

/**
 * Wishes with other moments of landing: what is fixed at a change follows it to its beat, own notes stay where they are in
 * time, a finger stays with its note.
 * @param written the chart as it is written
 */
export function landingAt(
	written: Chart,
	wishes: Wishes,
	times: Partial<Pick<LineSettings, 'land' | 'beat' | 'top'>>
): Pick<Wishes, 'line' | 'anchors'> {
	const line = { ...wishes.line, ...times };
	const from = chartOf(written, wishes).chart;
	const to = chartOf(written, { ...wishes, line }).chart;
	const { anchors } = wishes;
	const moved: Anchors = {
		...anchors,
		locks: along(from, to, anchors.locks),
		letPass: along(from, to, anchors.letPass),
		arrive: along(from, to, anchors.arrive),
		leans: along(from, to, anchors.leans),
		scales: along(from, to, anchors.scales),
		fingers: anchors.fingers.flatMap((entry) => {
			const change = changeOfAnchor(from, entry);
			if (!change) return [entry];
			const tick = change.tick + entry.offset;
			const there = to.changes.findLast((other) => other.tick <= tick);
			return there ? [{ ...entry, ...anchorOf(there), offset: tick - there.tick }] : [];
		})
	};
	return { line, anchors: settleOwn(to, moved) };
}
