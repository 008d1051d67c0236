import type { KeyMap } from './key-map';

/** What the neck can show. */
export const LAYER_KEYS = {
	layerScale: { key: 'a', does: 'show the scale' },
	layerNow: { key: 'w', does: 'show now' },
	layerNext: { key: 'e', does: 'show next' },
	layerFingers: { key: 'g', does: 'show fingers' }
} as const satisfies KeyMap;

/** What stands in the lower half. */
export const PANEL_KEYS = {
	shapes: { key: 's', does: 'arpeggio shapes in this place' },
	grips: { key: 'r', does: 'grips: all tones at one time' },
	changes: { key: 'c', does: 'what moves and what stays' },
	pairs: { key: 'd', does: 'double stops: two notes at once' },
	bends: { key: 'b', does: 'bends that land on a chord tone' },
	hidden: { key: 'h', does: 'arpeggios hidden in the scale' },
	layouts: { key: 'l', does: 'the scale laid out over the neck' },
	places: { key: 'k', does: 'every place, ranked with reasons' },
	words: { key: 'v', does: 'this place, told' }
} as const satisfies KeyMap;

export const NECK = {
	place: {
		back: ['ArrowLeft', '['],
		on: ['ArrowRight', ']'],
		does: 'place toward the nut, toward the body',
		foot: 'move the place'
	},
	change: {
		back: ['ArrowUp', ',', 'PageUp'],
		on: ['ArrowDown', '.', 'PageDown'],
		does: 'previous, next change',
		foot: 'next change'
	},
	best: { key: 'j', does: 'jump to the place where the chart lies best', foot: 'best place' },
	nextKey: { key: 'Shift+.', does: 'the tune in the next key of the circle', foot: 'next key' },
	scale: { key: 'u', does: 'another scale for the sounding chord', foot: 'other scale' },
	...LAYER_KEYS,
	...PANEL_KEYS,
	let: { key: 'Escape', does: 'let the chosen thing go' },
	undo: { key: 'Mod+z', does: 'undo the change of key' },
	redo: { key: 'Mod+Shift+z', does: 'redo it' }
} as const satisfies KeyMap;
