import { bandFor, strokesOfLine, type Click, type Score, type Swing } from '$core/band';
import type { Chart } from '$core/chart';
import { Context } from 'tone';
import { renderVoices } from './sounds';
import type { Faders } from './desk';
import { BandEngine } from './engine';
import { PageClock } from './page-clock';

/** What is to be played: a chart, the line over it, the click, and who plays the chords. */
export type ScoreWish = {
	readonly chart: Chart;
	readonly voice: 'auto' | 'guitar' | 'keys';
	readonly line: Parameters<typeof strokesOfLine>[0];
	readonly click: Click;
	readonly swing: Swing;
};

/** The band's engine on the speakers of this device, and what the page must know of its clock. */
export type Sounding = {
	readonly engine: BandEngine;
	/** Wakes the audio; call it out of a key or a click, or the browser keeps silent. */
	readonly wake: () => Promise<void>;
	/** Second of the audio clock that is heard now. */
	readonly heard: () => number;
	/** The same at a moment of `performance.now()`. */
	readonly heardAt: (at: number) => number;
	readonly score: (wish: ScoreWish) => Score;
};

/** Opens the audio of this device. Throws where the browser has none. */
export function openEngine(faders: Faders): Sounding {
	const context = new Context({
		latencyHint: 'balanced',
		clockSource: 'worker',
		lookAhead: 0,
		updateInterval: 0.05
	});
	const raw = context.rawContext as AudioContext;
	const engine = new BandEngine(context, renderVoices, faders);
	const clock = new PageClock(() => context.currentTime);
	const latency = () => raw.outputLatency || raw.baseLatency || 0;
	context.on('tick', () => clock.look());
	return {
		engine,
		wake: async () => {
			if (raw.state !== 'running') await context.resume();
		},
		score: ({ chart, voice, line, click, swing }) => ({
			band: bandFor(chart, voice === 'auto' ? {} : { voice }),
			strokes: strokesOfLine(line),
			click,
			swing
		}),
		heard: () => context.currentTime - latency(),
		heardAt: (at) => clock.secondsAt(at) - latency()
	};
}
