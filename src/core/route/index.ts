export { anchorOf, changeAt, sameAnchor, type Anchor, type Anchors } from './anchors';
export { checkRequest } from './candidates';
export { rankLandings, type Landing } from './landings';
export { planRoute, planTargets } from './plan';
export {
	STYLES,
	TERMS,
	type Lock,
	type Plan,
	type PlanRequest,
	type PlanWarning,
	type RequestIssue,
	type Style,
	type Target
} from './types';
