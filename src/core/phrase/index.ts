export { catchMotif, rebased } from './catch';
export { isStep } from './contour';
export { STARTING_MOTIFS } from './library';
export { roleOver } from './role-over';
export { mirror } from './mirror';
export { readMotif, writeMotif } from './motif-text';
export { BAR_PARTS, layParts, talkOver, TALKS, type BarPart } from './parts';
export { keyRows, ontoGrid, type Played, type Struck } from './play-in';
export { roleOfPitch } from './role-over';
export { sequence, symmetric } from './repeat';
export {
	answered,
	displaced,
	inRhythm,
	reversed,
	RHYTHMS,
	without as withoutNote,
	withStep
} from './transform';
export { BASES, type Basis, type Motif, type Phrase, type PhraseContext } from './types';
