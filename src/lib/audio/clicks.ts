import { PageClock } from './page-clock';

/** Clicks that sound now. `moments` are when they are heard, by `performance.now()`. */
export type Clicks = {
	readonly moments: Promise<readonly number[]>;
	readonly stop: () => void;
};

/** Seconds before the first click, and after the last one, so that answers to it are heard. */
const LEAD = 0.6;
const TAIL = 0.45;

/**
 * Plays clicks that an ear and a microphone hear well; the first ones of a count are higher. Call it out
 * of a key or a click.
 * @param count how many; @param gap seconds between two; @param onclick told about each when it sounds
 */
export function playClicks(count: number, gap: number, onclick: (i: number) => void): Clicks {
	const context = new AudioContext({ latencyHint: 'interactive' });
	const clock = new PageClock(() => context.currentTime);
	const timers: ReturnType<typeof setTimeout>[] = [];
	const looking = setInterval(() => clock.look(), 20);
	const stop = () => {
		for (const timer of timers) clearTimeout(timer);
		clearInterval(looking);
		if (context.state !== 'closed') void context.close();
	};
	const moments = (async () => {
		await context.resume();
		const start = context.currentTime + LEAD;
		const seconds = Array.from({ length: count }, (_, i) => start + i * gap);
		for (const [i, at] of seconds.entries()) {
			const tone = new OscillatorNode(context, { frequency: i % 4 === 0 ? 1318.5 : 987.8 });
			const gain = new GainNode(context, { gain: 0 });
			gain.gain.setValueAtTime(0.5, at);
			gain.gain.exponentialRampToValueAtTime(0.001, at + 0.07);
			tone.connect(gain).connect(context.destination);
			tone.start(at);
			tone.stop(at + 0.08);
			timers.push(setTimeout(() => onclick(i), 1000 * (LEAD + i * gap)));
		}
		await new Promise((resolve) => {
			timers.push(setTimeout(resolve, 1000 * (LEAD + (count - 1) * gap + TAIL)));
		});
		const late = context.outputLatency || context.baseLatency || 0;
		const heard = seconds.map((at) => clock.momentOf(at + late));
		stop();
		return heard;
	})();
	return { moments, stop };
}
