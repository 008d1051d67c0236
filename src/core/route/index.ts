export { anchorOf, changeOfAnchor, sameAnchor, tickOfAnchor } from './anchors';
export { blockWindows } from './block';
export {
	coverNeck,
	distinctChords,
	rankCoverage,
	type CoverageRequest,
	type RankedPosition
} from './coverage';
export { type CoverageRow } from './coverage-row';
export { checkLine } from './judge/check';
export { colourOver } from './colour';
export {
	COLOURS,
	LANDING_RESULTS,
	type Check,
	type Colours,
	type Fix,
	type PlayedNote
} from './judge/types';
export { unplayable } from './judge/unplayable';
export { APPROACH_WORDS, APPROACHES, type Approach } from './line/approach';
export { arrivalsOf } from './line/arrivals';
export { CELLS, GRIDS, STEADY, PER_QUARTER, placesInBar, readCell, type Grid } from './line/cells';
export { LineWork } from './line/work';
export type { ArrivalOption } from './line/plan-line';
export { airBars, airChanges } from './line/talk';
export { strokesOf } from './line/strokes';
export { spellLine } from './spelling';
export type { OwnLine } from './own-notes';
export {
	ALSO,
	KINDS,
	LINE_TERMS,
	TECHNIQUES,
	type Also,
	type Frozen,
	type LineNote,
	type Playing,
	type Technique,
	type LineWishes
} from './line/types';
export { arrivalOf, does, isAlso, isDead, isReached, playing, playingOf } from './playing';
export { handStretches, type HandStretch } from './hand-along';
export { handAlong, handByBar, heldInstrument, type Setting } from './holding';
export { LANDS, timedChart, type TimedChart } from './landing-times';
export { placeHand, planRoute, planTargets } from './plan';
export { readyRoute, type ReadyRoute, type RouteWish } from './ready-route';
export { planWhole, type WholePlan } from './plan-lines';
export { leanOf } from './rest';
export {
	blendScale,
	SCALE_PLANS,
	scalesAlong,
	scalesFrom,
	type HandScale,
	type ScaleFrom,
	type ScalePlan
} from './scale-plan';
export { checkRequest } from './targets/candidates';
export { rankLandings, type Landing } from './targets/landings';
export {
	LEANS,
	positionAt,
	STYLES,
	TERMS,
	type Plan,
	type PlanRequest,
	type RequestIssue,
	type Style
} from './types';
