import { Context } from 'tone';
import { renderVoices } from '$lib/workers/sounds';
import type { Faders } from './desk';
import { BandEngine } from './engine';

/** The band's engine on the speakers of this device, and what the page must know of its clock. */
export type Sounding = {
	readonly engine: BandEngine;
	/** Wakes the audio; call it out of a key or a click, or the browser keeps silent. */
	readonly wake: () => Promise<void>;
	/** Second of the audio clock that is heard now. */
	readonly heard: () => number;
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
		heard: () => context.currentTime - (raw.outputLatency || raw.baseLatency || 0)
	};
}
