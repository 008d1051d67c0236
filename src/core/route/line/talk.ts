import { barAt, type Chart, type PlayedBar } from '../../chart';

/** So many bars are played, then so many are left to the others, over and over from a section's start. */
export type Talk = {
	/** A section by its name; null for all that have no entry of their own. */
	readonly section: string | null;
	readonly play: number;
	readonly air: number;
};

/**
 * The bars in which the player is silent, by index: call and answer within each section, counted anew
 * whenever it begins.
 * @example airBars(parseChart('| C | F | G | C |'), [{ section: null, play: 1, air: 1 }]) // [false, true, false, true]
 */
export function airBars(chart: Chart, talks: readonly Talk[]): boolean[] {
	const starts = new Set(chart.sections.map((section) => section.from));
	const talkOf = (bar: PlayedBar) =>
		talks.find((talk) => talk.section !== null && talk.section === bar.section) ??
		talks.find((talk) => talk.section === null);
	let first = 0;
	return chart.played.map((bar) => {
		if (starts.has(bar.written)) first = bar.index;
		const talk = talkOf(bar);
		if (!talk || talk.air === 0) return false;
		return (bar.index - first) % (talk.play + talk.air) >= talk.play;
	});
}

/** Changes that fall into bars of air: nobody lands there. */
export function airChanges(chart: Chart, talks: readonly Talk[]): number[] {
	if (talks.length === 0) return [];
	const air = airBars(chart, talks);
	return chart.changes.flatMap(({ index, tick }) => {
		const bar = barAt(chart, tick);
		return bar && air[bar.index] ? [index] : [];
	});
}
