export {
	barTicks,
	beatTicks,
	FEELS,
	LIMITS,
	QUARTER,
	type Change,
	type Chart,
	type ChordEvent,
	type Diagnostic,
	type PlayedBar,
	type Span,
	type TimeSignature,
	type WrittenBar
} from './types';
export { chartTicks, eventAt, keyOf, parseChart } from './chart';
export { compareChords, type Comparison } from './compare';
export { keyName, parseKey } from './headers';
export { utf8Length } from './parse';
export { circleOf, transposeText } from './transpose';
