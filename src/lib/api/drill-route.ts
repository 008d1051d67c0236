import { NO_LINE, NO_ANCHORS } from './route-schema';
import { barAt, type Chart, chartTicks } from '$core/chart';
import {
	instrumentOf,
	windowPlaces,
	type Hand,
	type Instrument,
	type OwnInstrument
} from '$core/neck';
import { landingNotes, styleOf, type PlanNote } from '$core/practice';
import { anchorOf } from '$core/route';
import type { CardDrill } from './practice-schema';
import { instrumentInputOf } from './resolve';
import type { PlannedRoute, RouteRequest } from './route';

/** Changes that a drill leaves out: let pass, or in bars of air. */
const leftOut = (chart: Chart, { rules }: CardDrill) =>
	chart.changes.filter(
		({ index, bar }) => rules.letPass?.includes(index) || rules.restBars?.includes(bar)
	);

/** Places of the hand's position that the rules leave out: other strings, other frets. */
function forbidden(instrument: Instrument, { position, rules }: CardDrill) {
	const { strings, fret } = rules;
	return windowPlaces(instrument, position)
		.filter(
			(place) =>
				(strings !== undefined && !strings.includes(place.string)) ||
				(fret !== undefined && place.fret !== fret)
		)
		.map((place) => ({ string: place.string, fret: place.fret }));
}

/**
 * The request that plans a drill by its own rules: what the player is shown to land on, and what the
 * simulated player reads. `text` is the chart in the drill's key.
 */
export function drillRoute(
	text: string,
	chart: Chart,
	drill: CardDrill,
	own: readonly OwnInstrument[],
	hand: Hand
): RouteRequest {
	const { position, rules } = drill;
	const arpeggio = rules.notes === 'arpeggio';
	// The way between landings knows no strings and frets that are left out: there it is the player's own.
	const free = rules.strings !== undefined || rules.fret !== undefined;
	return {
		chart: text,
		instrument: instrumentInputOf(chart, own, hand),
		route: {
			position,
			style: styleOf(drill),
			line: {
				...NO_LINE,
				grid: rules.notes === 'targets' || free ? 'targets' : (rules.grid ?? 'targets'),
				cell: 'breath',
				scalePlan: arpeggio ? 'arpeggio' : 'one',
				// A chromatic note would break a rule that names the notes.
				spice: rules.notes && rules.notes !== 'any' ? 0 : NO_LINE.spice
			},
			anchors: {
				...NO_ANCHORS,
				letPass: leftOut(chart, drill).map(anchorOf),
				forbid: forbidden(instrumentOf(chart, own).instrument, drill)
			}
		}
	};
}

/** What is played of a planned drill: its line or its landings, without bars of air. */
export function drillNotes(
	chart: Chart,
	instrument: Instrument,
	drill: CardDrill,
	{ targets, notes }: Pick<PlannedRoute, 'targets' | 'notes'>
): PlanNote[] {
	const changeOn = new Map(targets.map(({ tick, change }) => [tick, change]));
	const air = (tick: number) =>
		drill.rules.restBars?.includes(barAt(chart, tick).index + 1) ?? false;
	const line = notes.filter(({ kind }) => kind !== 'target');
	if (line.length === 0) return landingNotes(instrument, targets, chartTicks(chart));
	return notes
		.filter(({ tick, kind }) => kind === 'target' || !air(tick))
		.map(({ tick, durationTicks, midi, string, fret, kind }) => ({
			...{ tick, durationTicks, midi, string, fret },
			change: kind === 'target' ? (changeOn.get(tick) ?? null) : null
		}));
}
