export {
	bandFor,
	CHORD_VOICES,
	chordVoiceOf,
	WAYS,
	type Band,
	type BandOptions,
	type ChordVoice
} from './band';
export { chance } from './chance';
export { CLICK_BEATS, CLICKS, type Click, type ClickBeats } from './click';
export { countsOf, pulsesOf } from './metre';
export { barIndexAt, notesBetween, performed, type Score, type TimedNote } from './perform';
export { aheadIn, positionAt, type Position } from './position';
export {
	beginRun,
	runEnd,
	secondsAt,
	SPEED,
	TEMPO,
	ticksAt,
	ticksOf,
	withJump,
	withLoop,
	withTempo,
	type BarRange,
	type Run
} from './run';
export { strokesOfLine, type CurvePoint, type Stroke } from './strokes';
export { SWING, swingOf, type Swing } from './swing';
export { MOST_CHORUSES, playWhole, type WholeWish } from './whole';
export { DRUMS, PARTS, type BandNote, type Part } from './types';
