export { buildScale, SCALE_NAMES, type Scale, type ScaleNote } from './scale';
export { scaleInUse, scaleOfKey } from './in-use';
export { outsideTones } from './outside';
