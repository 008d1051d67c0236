import { barIndexAt, type Chart } from '../chart';
import { countsOf } from './metre';
import { extendRun, segmentAt, ticksAt, type Run } from './run';

/** Where the music is at a second of the audio clock. */
export type Position =
	| { readonly kind: 'before' | 'after' }
	| {
			readonly kind: 'counting';
			readonly count: number;
			readonly of: number;
			readonly bar: number;
			/** Ticks until the music begins. */
			readonly left: number;
			/** Ticks of the run. */
			readonly at: number;
	  }
	| {
			readonly kind: 'playing';
			/** Ticks of the chart; swing is not taken off. */
			readonly tick: number;
			readonly bar: number;
			/** Beat of the bar as it is counted, from 1. */
			readonly beat: number;
			readonly round: number;
			/** Ticks of the run. */
			readonly at: number;
	  };

const beatOf = (chart: Chart, bar: number, offset: number): number => {
	const counts = countsOf(chart.played[bar]!.signature);
	return counts.findLast((count) => count.offset <= offset)?.count ?? 1;
};

export function positionAt(run: Run, seconds: number): Position {
	const at = ticksAt(run, seconds);
	if (at < 0) return { kind: 'before' };
	const grown = extendRun(run, at + 1);
	const segment = segmentAt(grown, at);
	if (!segment) return { kind: 'after' };
	const { chart } = run;
	if (segment.tick === null) {
		const next = grown.segments.find((other) => other.at === segment.at + segment.length);
		const bar = barIndexAt(chart, next?.tick ?? 0);
		const { signature, lengthTicks } = chart.played[bar]!;
		const offset = (at - segment.at) % lengthTicks;
		const left = segment.at + segment.length - at;
		const count = beatOf(chart, bar, offset);
		return { kind: 'counting', count, of: signature.beats, bar, left, at };
	}
	const tick = segment.tick + at - segment.at;
	const bar = barIndexAt(chart, tick);
	const beat = beatOf(chart, bar, tick - chart.played[bar]!.startTick);
	return { kind: 'playing', tick, bar, beat, round: segment.round, at };
}
