export { catchMotif } from './catch';
export { isStep } from './contour';
export { STARTING_MOTIFS } from './library';
export { mirror } from './mirror';
export { sequence, symmetric } from './repeat';
export { answered, displaced, reversed } from './transform';
export { BASES, type Basis, type Motif, type Phrase, type PhraseContext } from './types';
