export { chance, draws, pick } from './chance';
export { clamp, countWord, share } from './numbers';
export { firstFrom, lastAt, searchBy } from './search';
export type { Result } from './result';
export { mean, median } from './statistics';
export { msOfTicks, msPerTick, QUARTER, TEMPO, tempoWithin } from './time';
