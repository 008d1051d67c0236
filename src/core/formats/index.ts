export { writeAlphaTex, type EngravedNote } from './alpha-tex';
export { readNames, writeNames } from './note-names';
export { readTab } from './tab-read';
export { writeTab } from './tab-write';
export type { TextNote, TextProblem } from './types';
export { readNotes } from './midi';
export { writeMidiTune } from './midi';
export { writeWav } from './wav';
