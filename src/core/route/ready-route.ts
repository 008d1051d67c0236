import type { Result } from '../kernel';
import type { LineWishes } from './line/types';
import { keyOf } from '../harmony';
import { handAlong, handByBar, heldInstrument, type HandWish, type Holding } from './holding';
import { placeHand } from './plan';
import { blendScale, scalesAlong } from './scale-plan';
import type { OpenRequest } from './targets/candidates';
import type { PlanRequest, RequestIssue } from './types';

/**
 * A route as it is asked for. The instrument has its tuning and its capo; how it is held, and where the hand is,
 * is settled by `readyRoute`.
 */
export type RouteWish = Omit<OpenRequest, 'windows' | 'only' | 'colours' | 'home'> & {
	readonly holding: Holding;
	/** Sections and bars with places of their own, where the hand stays in a position. */
	readonly hand?: HandWish;
	/** Colours of the scale may be locked; with `all` the planner lands on them, too. Left out they may not. */
	readonly colours?: 'locks' | 'all';
	/** Every change lands on the tonic of home. */
	readonly home?: boolean;
	/** The scales of the line; `only` lands on their notes alone, too. */
	readonly scales: Required<Pick<LineWishes, 'scalePlan' | 'byHand' | 'alternate' | 'only'>>;
	/** How the way between landings is filled; null plans landings alone. */
	readonly way: Omit<LineWishes, 'scalePlan' | 'byHand' | 'alternate' | 'only'> | null;
};

/** What the planner works on: the one request that every form of asking comes to. */
export type ReadyRoute = { readonly request: PlanRequest; readonly line: LineWishes | null };

/** The scales whose notes alone are landed on, by event. */
function scalesKept({ chart, scale, style, scales }: RouteWish) {
	const inUse = style === 'blend' ? blendScale(chart, scale) : scale;
	const plan = scales.scalePlan === 'arpeggio' ? 'one' : scales.scalePlan;
	return scalesAlong(chart, inUse, plan, scales.byHand, scales.alternate);
}

/** No position of any instrument. */
const NOWHERE = 0;

/**
 * Settles a route: takes the instrument as it is held, puts the hand where it is at each change, and checks what is
 * fixed.
 * @returns what can be planned, or what is wrong with it
 */
export function readyRoute(wish: RouteWish): Result<ReadyRoute, readonly RequestIssue[]> {
	const { holding, hand, scales, way, colours, home, ...open } = wish;
	const { chart, position } = open;
	const fixed = typeof position === 'number' ? position : null;
	const instrument = heldInstrument(open, holding, fixed);
	const kept = scales.only || colours ? scalesKept(wish) : [];
	const request = {
		...open,
		instrument,
		only: scales.only ? kept : undefined,
		colours: colours && { scales: kept, free: colours === 'all' },
		home: home ? keyOf(chart)?.tonic : undefined
	};
	const settled = position === 'best' && hand ? bestBeside(request, hand) : { value: fixed };
	if ('error' in settled) return settled;
	const { value: base } = settled;
	const windows =
		base === null
			? undefined
			: handAlong(chart, instrument, base, { block: holding.block, ...hand });
	const placed = placeHand({ ...request, position: base ?? position, windows });
	if ('error' in placed) return placed;
	return { value: { request: placed.value, line: way && { ...way, ...scales } } };
}

/** The best position for the changes whose bars have no place of their own. */
function bestBeside(request: OpenRequest, hand: HandWish): Result<number, readonly RequestIssue[]> {
	const { chart } = request;
	const at = handByBar(NOWHERE, hand);
	const own = new Set(
		chart.changes
			.filter(({ bar }) => at !== null && at(chart.played[bar - 1]!) !== NOWHERE)
			.map(({ index }) => index)
	);
	const placed = placeHand({
		...request,
		locks: request.locks.filter(({ change }) => !own.has(change)),
		letPass: [...new Set([...request.letPass, ...own])]
	});
	return 'error' in placed ? placed : { value: placed.value.position };
}
