import { swingOf, type BarRange } from '../band';
import type { Chart } from '../chart';
import { scaleInUse } from '../harmony';
import type { Instrument } from '../neck';
import { scalesAlong } from '../route';
import type { Drill } from './drill';
import type { JudgeRequest, PlayedEvent } from './types';

/** How far from its moment a note may be struck and still land, where nobody says otherwise: ms. */
export const USUAL_TOLERANCE = 60;

/** What was played of a drill, and how fast. */
export type Pass = {
	/** Fewer bars than the drill has, where a loop was practised. */
	readonly looped: BarRange | null;
	readonly tempo: number;
	/** Per cent; null is the feel's own. */
	readonly swing: number | null;
	readonly loops: number;
	readonly toleranceMs: number;
	readonly latencyMs: number;
	readonly events: readonly PlayedEvent[];
	/** Where the player stopped, in ms; left out where the pass was played to its end. */
	readonly untilMs?: number;
};

/** The request by which a pass of a drill is judged; the chart is in the drill's key. */
export function passRequest(
	chart: Chart,
	instrument: Instrument,
	{ range, rules }: Pick<Drill, 'range' | 'rules'>,
	{ looped, swing, ...pass }: Pass
): JudgeRequest {
	return {
		...pass,
		chart,
		instrument,
		scales: scalesAlong(chart, scaleInUse(chart).scale, 'one'),
		swing: swingOf(chart.headers.feel, swing ?? undefined),
		rules,
		range: looped ?? range
	};
}
