import type { KeyMap } from './key-map';

/** What can be made of the motif. */
export const MAKE_KEYS = {
	answer: { key: 'w', does: 'answer' },
	sequence: { key: 'g', does: 'sequence' },
	symmetric: { key: 'u', does: 'symmetric' },
	displace: { key: 'd', does: 'later' },
	reverse: { key: 'r', does: 'backward' }
} as const satisfies KeyMap;

/** The place of the hand; it moves while a motif is played in, too. */
export const PHRASE_PLACE = {
	place: { back: '[', on: ']', does: 'place toward the nut, toward the body' }
} as const satisfies KeyMap;

export const PHRASE = {
	note: { back: 'ArrowLeft', on: 'ArrowRight', does: 'previous, next note', foot: 'note' },
	step: { back: 'ArrowDown', on: 'ArrowUp', does: 'its step', foot: 'its step' },
	time: {
		back: 'Shift+ArrowLeft',
		on: 'Shift+ArrowRight',
		does: 'all of it an eighth earlier, later',
		foot: 'earlier, later'
	},
	add: { key: 'a', does: 'one more note' },
	remove: { key: ['Delete', 'Backspace'], does: 'take the note out', foot: 'less' },
	...MAKE_KEYS,
	moves: { key: 'b', does: 'move with the root, or stay' },
	hear: { key: 'h', does: 'hear it' },
	store: { key: 's', does: 'store it' },
	playIn: { key: 'i', does: 'play a motif in' },
	text: { key: 't', does: 'write it as text' },
	part: { key: 'c', does: 'what this bar is for: call, answer, hold, air' },
	lay: { key: 'Enter', does: 'put it in the line' },
	change: {
		back: [',', 'PageUp'],
		on: ['.', 'PageDown'],
		does: 'previous, next change'
	},
	undo: { key: 'Mod+z', does: 'undo' },
	redo: { key: 'Mod+Shift+z', does: 'redo' }
} as const satisfies KeyMap;

/** While a motif is played in the letters are notes. */
export const PLAY_IN = {
	letters: { shown: 'Z A Q', does: 'the rows of letters: the scale, an octave a row' },
	sharp: { shown: 'Shift', does: 'a semitone higher' },
	hold: { key: 'ArrowRight', does: 'the last note longer', foot: 'longer' },
	rest: { key: '.', does: 'air' },
	back: { key: 'Backspace', does: 'one back' },
	take: { key: 'Enter', does: 'take it' },
	stop: { key: 'Escape', does: 'give up' }
} as const satisfies KeyMap;
