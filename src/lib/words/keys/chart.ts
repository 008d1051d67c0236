import type { KeyMap } from './key-map';

export const CHART = {
	text: { key: 'F6', does: 'between text and bars', foot: 'text or bars' },
	problem: { key: 'F8', does: 'next problem' },
	leave: {
		shown: 'Esc',
		does: 'out of the text: the keys of the screen work again',
		foot: 'out of the text'
	},
	suggestion: { shown: 'Tab', does: 'take a suggestion' },
	line: { key: 'm', does: 'numerals or tones under the chords', foot: 'numerals or tones' },
	home: { key: 't', does: 'next home of the ranking', foot: 'next home' },
	key: { key: 'k', does: 'type a key' },
	save: { key: 'Mod+s', does: 'save' },
	undo: { key: 'Mod+z', does: 'undo' },
	redo: { key: 'Mod+Shift+z', does: 'redo' }
} as const satisfies KeyMap;
