import type { Chart } from '$core/chart';
import type { Sounding } from '$lib/audio/open-engine';

/** A moment of the music: its tick as played, the time through, the ticks since the music was started. */
export type Moment = { readonly tick: number; readonly round: number; readonly at: number };

/** The moment that is heard now, before the first tick while it is counted in; null once it is over. */
export function momentOf(audio: Sounding, chart: Chart): Moment | null {
	const position = audio.engine.position(audio.heard());
	if (position.kind === 'counting') {
		const { bar, left, at } = position;
		return { tick: chart.played[bar].startTick - left, round: 0, at };
	}
	if (position.kind !== 'playing') return null;
	return { tick: position.tick, round: position.round, at: position.at };
}

/** Ms from the first beat of the music to a moment of `performance.now()`, as the player hears it. */
export function sinceFirstBeat({ engine, heardAt }: Sounding, at: number): number | null {
	const begins = engine.musicBegins;
	return begins === null ? null : 1000 * (heardAt(at) - begins);
}
