import { beatTicks, type Change, type Chart } from '../chart';

/** Where a change stands in the written chart: bar from 1, beat from 1, and the pass that plays it. */
type Anchor = { readonly bar: number; readonly beat: number; readonly pass: number };

export const anchorOf = (change: Change): Anchor => ({
	bar: change.source,
	beat: change.beat,
	pass: change.pass
});

export const sameAnchor = (a: Anchor, b: Anchor): boolean =>
	a.bar === b.bar && a.beat === b.beat && a.pass === b.pass;

/** The change that an anchor points to, if the chart still has one there. */
export const changeOfAnchor = (chart: Chart, anchor: Anchor): Change | undefined =>
	chart.changes.find((change) => sameAnchor(anchorOf(change), anchor));

/**
 * When the moment of an anchor comes: at its change, or where its written bar and beat are played if the chart has no
 * change there; null where the chart has no such moment any more.
 */
export function tickOfAnchor(chart: Chart, anchor: Anchor): number | null {
	const change = changeOfAnchor(chart, anchor);
	if (change) return change.tick;
	const bar = chart.played.find(
		({ written, pass }) => written + 1 === anchor.bar && pass === anchor.pass
	);
	if (!bar) return null;
	const offset = Math.round((anchor.beat - 1) * beatTicks(bar.signature));
	return offset < bar.lengthTicks ? bar.startTick + offset : null;
}
