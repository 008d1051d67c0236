import type { KeyMap } from './key-map';

export const NOTEBOOK = {
	choose: { back: 'ArrowUp', on: 'ArrowDown', does: 'choose a tune' },
	start: { key: ' ', does: 'start the first drill of today' },
	drill: { key: 'd', does: 'drill the tune', foot: 'drill it now' },
	open: { shown: 'Enter', does: 'open it', foot: 'open' },
	carry: {
		back: 'Alt+ArrowUp',
		on: 'Alt+ArrowDown',
		does: 'move the tune in its set, over the end into the next',
		foot: 'move it'
	},
	find: {
		key: '/',
		does: 'find by title, key, chords (Cm7 F7, ii7 V7) or words',
		foot: 'find'
	},
	tune: { key: 'c', does: 'new tune' },
	set: { key: 's', does: 'new set' },
	bring: { key: 'i', does: 'bring in files; or drop them anywhere', foot: 'bring in files' }
} as const satisfies KeyMap;
