import { CHART } from './chart';
import { DRILL, PASS } from './drill';
import { BAND, ELSEWHERE, EVERYWHERE, STAND } from './everywhere';
import type { KeyMap } from './key-map';
import { NECK } from './neck';
import { NOTEBOOK } from './notebook';
import { LOG, SET, SHEET } from './pages';
import { PHRASE, PHRASE_PLACE, PLAY_IN } from './phrase';
import { PLAYING } from './playing';
import { NOTES, ROUTE, WRITING } from './route';

/** The keys of every screen, as the help lists them. */
export const KEY_MAPS: readonly (readonly [where: string, map: KeyMap])[] = [
	['Everywhere', EVERYWHERE],
	['Any screen of a tune', BAND],
	['Stand view', STAND],
	['Away from a tune', ELSEWHERE],
	['Notebook', NOTEBOOK],
	['Chart', CHART],
	['Neck', NECK],
	['Route', ROUTE],
	['Route, notes of the line', NOTES],
	['Route, a line of your own', WRITING],
	['Picked notes of a line, how they are played', PLAYING],
	['Phrase', { ...PHRASE, ...PHRASE_PLACE }],
	['Phrase, while a motif is played in', PLAY_IN],
	['Drill', DRILL],
	['Drill, after a pass', PASS],
	['Sheet', SHEET],
	['Log', LOG],
	['Set', SET]
];
