export {
	buildInstrument,
	highestFret,
	instrumentKey,
	instrumentOf,
	presetTuning,
	tuningText,
	USUAL_SCALE_MM,
	parseTuning,
	pitchAt,
	samePlace,
	standardGuitar,
	TUNING_IDS,
	type Instrument,
	type OwnInstrument,
	type Place
} from './instrument';
export {
	fretWire,
	inWindow,
	isPosition,
	lastPosition,
	placeUnder,
	windowFrets,
	windowPlaces,
	type WindowPlace
} from './window';
export { comfortOf, HANDS, MEDIUM_HAND, stretchMm, type Comfort, type Hand } from './hand';
export {
	boxAt,
	FAMILIES,
	pocketScale,
	positionsOf,
	reachesAt,
	usualPerString,
	type Family,
	type Position
} from './positions';
export { arpeggioShapes, fullArpeggio, joinShapes, type Shape } from './shapes';
export { cellGrips, grips, type Grip } from './grips';
export { doubleStops, type DoubleStop } from './double-stops';
export { bends, type Bend } from './bends';
export { fingerJumps, fingersHold } from './fingers';
export { placeLine } from './place-line';
export { crossingPrice, HAND, shiftPrice } from './prices';
export { barFret, withSlide } from './slide';
