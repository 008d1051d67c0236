export { writeAlphaTex, type EngravedNote } from './alpha-tex';
export { readNames, writeNames } from './note-names';
export { readTab } from './tab-read';
export { writeTab } from './tab-write';
export type { TextNote, TextProblem } from './types';
export { readNotes } from './midi-read';
export { writeMidiTune } from './midi-write';
export { writeWav } from './wav';
