/** Taps farther apart than this begin anew, in ms. */
const GAP = 2200;
/** Taps that are remembered. */
const MOST = 5;

/** Finds the tempo that somebody taps: the middle of the last few gaps. */
export class TapTempo {
	private taps: number[] = [];

	/**
	 * One tap.
	 * @param now ms on any clock
	 * @returns quarter notes a minute; null for a first tap
	 */
	tap(now: number): number | null {
		const last = this.taps.at(-1);
		if (last !== undefined && now - last > GAP) this.taps = [];
		this.taps = [...this.taps, now].slice(-MOST);
		if (this.taps.length < 2) return null;
		const gaps = this.taps.slice(1).map((at, i) => at - this.taps[i]);
		return 60_000 / gaps.sort((a, b) => a - b)[gaps.length >> 1];
	}
}
