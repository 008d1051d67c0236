export { anchorOf, changeAt, sameAnchor } from './anchors';
export { checkRequest } from './targets/candidates';
export { rankLandings, type Landing } from './targets/landings';
export { planRoute, planTargets } from './plan';
export { STYLES, TERMS, type Plan, type PlanRequest, type Style } from './types';
export {
	coverNeck,
	distinctChords,
	rankCoverage,
	type CoverageRequest,
	type CoverageRow,
	type RankedPosition
} from './coverage';
