import { bandFor, strokesOfLine, type Click, type Score, type Swing } from '$core/band';
import type { Chart } from '$core/chart';
import { Context } from 'tone';
import { renderVoices } from '$lib/workers/sounds';
import type { Faders } from './desk';
import { BandEngine } from './engine';

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
		heard: () => context.currentTime - (raw.outputLatency || raw.baseLatency || 0)
	};
}
