import type { Result } from '../kernel';
import type { LineWishes } from './line/types';
import { handAlong, heldInstrument, type Holding, type SectionPlace } from './holding';
import { placeHand } from './plan';
import { blendScale, scalesAlong } from './scale-plan';
import type { OpenRequest } from './targets/candidates';
import type { PlanRequest, RequestIssue } from './types';

/**
 * A route as it is asked for. The instrument has its tuning and its capo; how it is held, and where the hand is,
 * is settled by `readyRoute`.
 */
export type RouteWish = Omit<OpenRequest, 'windows' | 'only'> & {
	readonly holding: Holding;
	/** Sections with places of their own, where the hand stays in a position. */
	readonly places?: readonly SectionPlace[];
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

/**
 * Settles a route: takes the instrument as it is held, puts the hand where it is at each change, and checks what is
 * fixed.
 * @returns what can be planned, or what is wrong with it
 */
export function readyRoute(wish: RouteWish): Result<ReadyRoute, readonly RequestIssue[]> {
	const { holding, places, scales, way, ...open } = wish;
	const { chart, position } = open;
	const settled = typeof position === 'number' ? position : null;
	const instrument = heldInstrument(open, holding, settled);
	const placed = placeHand({
		...open,
		instrument,
		only: scales.only ? scalesKept(wish) : undefined,
		windows:
			settled === null
				? undefined
				: handAlong(chart, instrument, settled, { block: holding.block, places })
	});
	if ('error' in placed) return placed;
	return { value: { request: placed.value, line: way && { ...way, ...scales } } };
}
