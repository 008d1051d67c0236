export { anchorOf, changeAt, sameAnchor } from './anchors';
export {
	coverNeck,
	distinctChords,
	rankCoverage,
	type CoverageRequest,
	type CoverageRow,
	type RankedPosition
} from './coverage';
export { checkLine } from './judge/check';
export type { Check, CheckedChange, Fix, LandingResult, PlayedNote, Stray } from './judge/types';
export { unplayable } from './judge/unplayable';
export { APPROACH_WORDS, APPROACHES, type Approach } from './line/approach';
export {
	CELLS,
	GRIDS,
	PER_QUARTER,
	readCell,
	type Cell,
	type Grid,
	type LineGrid
} from './line/cells';
export { strokeOf } from './line/hand';
export { lineMeasures, type LineMeasures } from './line/measures';
export { LineWork } from './line/compose';
export type { ArrivalOption, Line } from './line/plan-line';
export { barAt, beatWeight } from './pulse';
export {
	KINDS,
	LINE_TERMS,
	TECHNIQUES,
	type Frozen,
	type LineNote,
	type LineWishes,
	type NoteKind,
	type OwnFinger,
	type OwnNote,
	type Technique
} from './line/types';
export { placeHand, planRoute, planTargets } from './plan';
export { planWhole, type WholePlan } from './plan-lines';
export { blendScale, SCALE_PLANS, scalesAlong, type HandScale, type ScalePlan } from './scale-plan';
export { checkRequest, type OpenRequest, type Roam } from './targets/candidates';
export { rankLandings, type Landing } from './targets/landings';
export {
	LEANS,
	STYLES,
	TERMS,
	type HandWindow,
	type Plan,
	type PlanRequest,
	type Style
} from './types';
