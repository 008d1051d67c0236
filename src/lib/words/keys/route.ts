import type { KeyMap } from './key-map';

/** Landings and the whole route. */
export const ROUTE = {
	plan: { key: 'r', does: 'plan again' },
	lock: { key: 'l', does: 'lock the landing' },
	pass: { key: 'x', does: 'let the change pass' },
	best: { key: 'a', does: 'next best landing' },
	forbid: { key: 'd', does: 'not this place, for any landing' },
	plans: { key: 'b', does: 'other plans, and what they cost' },
	making: { key: 'w', does: 'how the route is made' },
	view: { key: 'v', does: 'strip, tab, notation' },
	compare: { key: 'c', does: 'two routes beside each other' },
	take: { key: 't', does: 'another take of the line' },
	freeze: { key: 'k', does: 'keep this way, or plan it' },
	weak: { key: 'j', does: 'next weak spot' },
	mend: { key: 'm', does: 'mend it' },
	motif: { key: 's', does: 'make a motif of the picked notes' },
	place: { back: '[', on: ']', does: 'place toward the nut, toward the body', foot: 'place' },
	hand: { back: '{', on: '}', does: 'the hand from this bar on, toward the nut, toward the body' },
	bar: { key: ';', does: 'hand and scale of this bar' },
	change: {
		back: [',', 'PageUp'],
		on: ['.', 'PageDown'],
		does: 'previous, next change; while writing a rest back, on',
		foot: 'change'
	},
	nextKey: { key: 'Shift+.', does: 'the route in the next key of the circle' },
	undo: { key: 'Mod+z', does: 'undo' },
	redo: { key: 'Mod+Shift+z', does: 'redo' },
	save: { key: 'Mod+s', does: 'save' }
} as const satisfies KeyMap;

/** Notes of the line. */
export const NOTES = {
	pick: { key: 'e', does: 'pick a note, let go', foot: 'pick a note' },
	across: { back: 'ArrowLeft', on: 'ArrowRight', does: 'previous, next note' },
	lift: { back: 'ArrowDown', on: 'ArrowUp', does: 'a scale step lower, higher' },
	semitone: { back: 'Shift+ArrowDown', on: 'Shift+ArrowUp', does: 'a semitone lower, higher' },
	time: { back: 'Shift+ArrowLeft', on: 'Shift+ArrowRight', does: 'earlier, later on the grid' },
	insert: { key: 'i', does: 'add a note after it' },
	remove: { key: ['Delete', 'Backspace'], does: 'take it out' },
	letGo: { key: 'Escape', does: 'let go of what is picked; stop writing' },
	extend: { back: 'Mod+ArrowLeft', on: 'Mod+ArrowRight', does: 'pick the neighbour too' },
	all: { key: 'Mod+a', does: 'all notes of the way' },
	bar: { key: 'Mod+b', does: 'all notes of the bar' },
	copy: { key: 'Mod+c', does: 'copy the way' },
	copyBar: { key: 'Mod+Shift+c', does: 'copy the bar' },
	paste: { key: 'Mod+v', does: 'put it on another' }
} as const satisfies KeyMap;

/** A line of one's own. */
export const WRITING = {
	text: { key: 'o', does: 'as tab or note names' },
	write: { key: 'g', does: 'note by note: begin, end', foot: 'note by note' },
	put: { shown: 'Enter', does: 'the place on the neck that has the focus' },
	more: { shown: 'Shift Enter', does: 'one string more, at the same time' },
	hold: { key: 'h', does: 'hold the last note' }
} as const satisfies KeyMap;
