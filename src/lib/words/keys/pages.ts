import type { KeyMap } from './key-map';

export const SHEET = {
	print: { key: 'Enter', does: 'print' },
	pdf: { key: 'd', does: 'take it away as PDF' },
	place: {
		back: '[',
		on: ']',
		does: 'place of the chords, where no route is on it',
		foot: 'place'
	},
	nextKey: { key: 'Shift+.', does: 'the tune in the next key of the circle', foot: 'next key' },
	undo: { key: 'Mod+z', does: 'undo the change of key' },
	redo: { key: 'Mod+Shift+z', does: 'redo it' }
} as const satisfies KeyMap;

export const LOG = {
	filter: { key: 'f', does: 'filter by tune, place, key' },
	tables: { key: 't', does: 'tables in place of charts' }
} as const satisfies KeyMap;

export const SET = { print: { key: 'p', does: 'print' } } as const satisfies KeyMap;
