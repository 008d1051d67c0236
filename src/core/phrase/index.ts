export { catchMotif } from './catch';
export { isStep } from './contour';
export { mirror } from './mirror';
export { sequence, symmetric } from './repeat';
export { answered, displaced, reversed } from './transform';
export { BASES, type Basis, type Motif, type Phrase, type PhraseContext } from './types';
