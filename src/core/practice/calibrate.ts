import { median } from '../kernel';

/** How late an input is, measured by playing along with clicks. Times in ms. */
export type Latency = {
	/** Played less clicked: taken off every note. */
	readonly offsetMs: number;
	/** How far the strikes scatter round it. */
	readonly spreadMs: number;
	/** Clicks that a strike was heard for. */
	readonly heard: number;
};

/** Strikes further than this from every click belong to none. */
const FAR = 350;
/** Clicks that must be answered, and how far answers may scatter, before the figure is believed. */
const LEAST = 5;
const MOST_SPREAD = 45;

/**
 * The latency out of clicks and strikes: each click takes its nearest strike; the middle of the differences
 * counts, so that one wrong stroke does no harm.
 * @returns null when too few clicks were answered, or too unevenly
 */
export function latencyOf(clicks: readonly number[], strikes: readonly number[]): Latency | null {
	const offsets = clicks.flatMap((click) => {
		const near = strikes
			.map((strike) => strike - click)
			.filter((off) => Math.abs(off) <= FAR)
			.sort((a, b) => Math.abs(a) - Math.abs(b));
		return near.slice(0, 1);
	});
	if (offsets.length < LEAST) return null;
	const offsetMs = median(offsets, 0);
	const spreadMs = median(
		offsets.map((off) => Math.abs(off - offsetMs)),
		0
	);
	return spreadMs > MOST_SPREAD ? null : { offsetMs, spreadMs, heard: offsets.length };
}

/** True when clicks that nobody answered were heard all the same: the input hears the speakers. */
export function bleeds(clicks: readonly number[], strikes: readonly number[]): boolean {
	const answered = clicks.filter((click) =>
		strikes.some((strike) => strike - click > -40 && strike - click < FAR)
	);
	return answered.length >= Math.max(2, clicks.length / 2);
}
