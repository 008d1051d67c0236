import type { Change, Chart } from '../chart';

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
