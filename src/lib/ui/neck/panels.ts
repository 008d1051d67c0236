import { PANEL_KEYS } from '$lib/words/keys/neck';

export type Panel = keyof typeof PANEL_KEYS;

const NAMES: Readonly<Record<Panel, string>> = {
	shapes: 'Shapes',
	grips: 'Grips',
	changes: 'Changes',
	pairs: 'Double stops',
	bends: 'Bends',
	hidden: 'Hidden',
	layouts: 'Layouts',
	places: 'Places',
	words: 'Words'
};
/** What the lower half of the neck screen shows, each with its key. */
export const PANELS = (Object.keys(NAMES) as Panel[]).map((id) => ({
	id,
	row: PANEL_KEYS[id],
	name: NAMES[id]
}));

/** What is looked at first; the rest is there with more. */
export const FIRST_PANELS: readonly Panel[] = ['shapes', 'changes', 'places'];
