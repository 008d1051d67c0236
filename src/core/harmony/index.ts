export { buildScale, scaleFrom, SCALE_NAMES, type Scale, type ScaleNote } from './scale';
export { scaleInUse, scaleOfKey } from './in-use';
export { outsideTones } from './outside';
export { keyOf, rankTonics, sameKey, type RankedTonic } from './tonic';
export { homesShown } from './homes';
export { functionOf, type ChordFunction } from './function';
export { numeralOf } from './numeral-of';
export { parseDegrees } from './scale';
export {
	choiceOf,
	scaleChoices,
	type ChoiceContext,
	type ScaleChoice,
	type ScaleEdit
} from './choices';
export { noteVerdict, type NoteVerdict, type Verdict } from './verdict';
export { readOver } from './read-over';
export { namedBy, nameOver, oneSpelling } from './spelling';
export { hiddenArpeggios, hiddenScale, readOverChords, type Hidden } from './hidden';
export { characteristicTones } from './characteristic';
export { chordAfter, functionsAlong } from './along';
export { chordsOfKey } from './key-chords';
