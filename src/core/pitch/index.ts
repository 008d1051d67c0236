export {
	asciiAccidentals,
	mod,
	noteName,
	parseNote,
	pitchClass,
	plainName,
	sameSound,
	simpleName,
	type Note,
	type PitchClass
} from './note';
export { notation, type Notation } from './notation';
export {
	above,
	degreeInterval,
	degreeOver,
	intervalBetween,
	shortestMove,
	type Interval
} from './interval';
export { parsePitch, pitchName, spelledPitch, type Midi } from './midi';
