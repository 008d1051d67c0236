export { bandFor } from './band';
export { CLICK_BEATS, CLICKS, type Click } from './click';
export { countsOf } from './metre';
export { notesBetween, performed, type Score, type TimedNote } from './perform';
export { positionAt, type Position } from './position';
export {
	beginRun,
	runEnd,
	secondsAt,
	SPEED,
	ticksAt,
	ticksOf,
	withJump,
	withLoop,
	withTempo,
	type BarRange,
	type Run
} from './run';
export { strokesOfLine, type CurvePoint } from './strokes';
export { SWING, swingOf, swung, type Swing } from './swing';
export { CHORD_VOICES, DRUMS, PARTS, WAYS, type ChordVoice, type Part } from './types';
export { MOST_CHORUSES, playWhole } from './whole';
