export {
	barTicks,
	beatTicks,
	FEELS,
	LIMITS,
	type Cell,
	type Change,
	type Chart,
	type ChordEvent,
	type Diagnostic,
	type Feel,
	type PlayedBar,
	type Span,
	type TimeSignature,
	type WrittenBar
} from './types';
export { barAt, barIndexAt, changeAt, changeIndexAt, eventAt, eventIndexAt } from './at';
export { barTicksOf, chartTicks, parseChart } from './chart';
export { compareChords } from './compare';
export { chordSounds, findProgression, readProgression } from './find';
export { keyName, parseKey, suggestKey } from './headers';
export { utf8Length } from './bytes';
export { circleOf, transposeText } from './transpose';
export { setHeader } from './set-header';
export { FORMS, formBars, withBars, type Form as ChartForm } from './forms';
export { draftHeaders, writeChart, type BarDraft, type ChordDraft } from './write';
export { shareStarts } from './cells';
