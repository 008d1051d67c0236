import type { Change, Chart } from '../chart';
import type { Place } from '../neck';

/** Where a change stands in the written chart: bar from 1, beat from 1, and the pass that plays it. */
export type Anchor = { readonly bar: number; readonly beat: number; readonly pass: number };

/** What the player fixed, by written place, so that it survives edits elsewhere in the chart. */
export type Anchors = {
	readonly locks: readonly (Anchor & Place)[];
	readonly letPass: readonly Anchor[];
};

export const anchorOf = (change: Change): Anchor => ({
	bar: change.source,
	beat: change.beat,
	pass: change.pass
});

export const sameAnchor = (a: Anchor, b: Anchor): boolean =>
	a.bar === b.bar && a.beat === b.beat && a.pass === b.pass;

/** The change that an anchor points to, if the chart still has one there. */
export const changeAt = (chart: Chart, anchor: Anchor): Change | undefined =>
	chart.changes.find((change) => sameAnchor(anchorOf(change), anchor));
