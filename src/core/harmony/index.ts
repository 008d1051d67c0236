export { buildScale, SCALE_NAMES, type Scale } from './scale';
export { scaleInUse, scaleOfKey } from './in-use';
export { outsideTones } from './outside';
export { keyOf, rankTonics, sameKey, type RankedTonic } from './tonic';
