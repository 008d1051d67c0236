import type { RouteInput } from './route-schema';
import type { Hand, OwnInstrument } from '$core/neck';
import { anchorOf } from '$core/route';
import type { PlanSnapshot } from './notebook-schema';
import { instrumentInputOf, type Outcome } from './resolve';
import { PlanDesk, runRoute } from './route';

/** A route to be planned as it is kept. */
export type SnapshotRequest = {
	readonly chart: string;
	readonly input: RouteInput;
	/** The player’s own instruments, which lend frets and length. */
	readonly own: readonly OwnInstrument[];
	readonly hand: Hand;
};

/**
 * Plans a route as it is kept: its landings by written place. Anchors that the chart no longer has are kept with
 * the route and simply do not bind.
 */
export function planSnapshot({
	chart: text,
	input,
	own,
	hand
}: SnapshotRequest): Outcome<PlanSnapshot> {
	const desk = new PlanDesk(text);
	if ('error' in desk.chart) return desk.chart;
	const chart = desk.chart.value;
	const instrument = instrumentInputOf(chart, own, hand);
	const made = runRoute({ chart: text, instrument, route: input }, desk);
	if ('error' in made) return made;
	const { cost, targets, notes } = made.value;
	const timed = desk.timedFor(chart, input);
	const { changes } = timed.chart;
	return {
		value: {
			cost,
			changes: changes.length,
			targets: targets.map(({ change, ...target }) => {
				const at = changes[change]!;
				return { ...anchorOf(at), symbol: at.to.symbol, ...target };
			}),
			notes:
				input.line.grid === 'targets' && input.anchors.frozen.length === 0
					? []
					: notes.map((note) => ({ ...note, chord: timed.eventOf[note.chord] ?? note.chord }))
		}
	};
}
