import type { KeyMap } from './key-map';

/** A pass that is logged without any input. */
export const GRADE_KEYS = {
	clean: { key: 'h', does: 'log a pass by ear: clean' },
	nearly: { key: 'j', does: 'log it: nearly' },
	not: { key: 'k', does: 'log it: not yet' }
} as const satisfies KeyMap;

export const DRILL = {
	go: {
		key: ['Enter', 'PageDown', 'ArrowRight'],
		does: 'what the next step says; while it plays, stop'
	},
	again: { shown: 'Space', does: 'the whole drill again', foot: 'form' },
	pedal: { shown: 'PgDn', does: 'the same with a pedal', foot: 'pedal: next step' },
	back: { key: ['PageUp', 'ArrowLeft'], does: 'hear the pass that is over' },
	rule: { key: 'r', does: 'change the rule: what, where, how fast' },
	tempo: { back: 'ArrowDown', on: 'ArrowUp', does: 'a rung down, up', foot: 'tempo' },
	place: { back: '[', on: ']', does: 'place toward the nut, toward the body', foot: 'place' },
	change: { back: ',', on: '.', does: 'previous, next change' },
	nextKey: { key: 'Shift+.', does: 'the next key of the circle' },
	...GRADE_KEYS,
	warm: { key: 'w', does: 'warm up on the plan' },
	stop: { key: 'Escape', does: 'stop' },
	letters: { shown: 'Z A Q', does: 'rows of letters that play, while letters are the input' }
} as const satisfies KeyMap;

/** After a pass. */
export const PASS = {
	note: { key: 'm', does: 'a note of your own on the pass' }
} as const satisfies KeyMap;
