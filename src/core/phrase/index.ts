export { catchMotif } from './catch';
export { isStep } from './contour';
export { STARTING_MOTIFS } from './library';
export { mirror } from './mirror';
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
export { BASES, type Motif, type Phrase, type PhraseContext } from './types';
