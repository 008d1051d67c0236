export {
	buildInstrument,
	highestFret,
	instrumentOf,
	parseTuning,
	pitchAt,
	standardGuitar,
	TUNING_IDS,
	type Instrument,
	type Place
} from './instrument';
export {
	fretWire,
	inWindow,
	isPosition,
	lastPosition,
	windowFrets,
	windowPlaces,
	type WindowPlace
} from './window';
