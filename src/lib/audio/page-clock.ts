/** Looks that are remembered: some seconds of them. */
const REMEMBERED = 48;

/**
 * Tells the seconds of an audio clock at moments of the page's own. An audio clock moves in steps; the look
 * that finds it furthest ahead was taken right after one, so that one is believed.
 */
export class PageClock {
	private readonly offsets: number[] = [];

	/** @param seconds the audio clock; @param now the page's clock in ms */
	constructor(
		private readonly seconds: () => number,
		private readonly now: () => number = () => performance.now()
	) {}

	/** Looks at both clocks. Call it often. */
	look(): void {
		this.offsets.push(this.seconds() - this.now() / 1000);
		if (this.offsets.length > REMEMBERED) this.offsets.shift();
	}

	/** The second of the audio clock at a moment of the page's clock, in ms. */
	secondsAt(at: number): number {
		this.look();
		return at / 1000 + Math.max(...this.offsets);
	}

	/** The moment of the page's clock, in ms, of a second of the audio clock. */
	momentOf(seconds: number): number {
		this.look();
		return 1000 * (seconds - Math.max(...this.offsets));
	}
}
