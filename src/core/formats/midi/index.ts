export { readNotes } from './performance';
export { writeMidiTune } from './write';
export { writeMidiPiece } from './piece';
export { readMidi } from './read';
