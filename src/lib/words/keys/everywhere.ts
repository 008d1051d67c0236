import type { KeyMap } from './key-map';

/** Where the screens are, from anywhere. */
export const EVERYWHERE = {
	chart: { key: '1', does: 'chart' },
	neck: { key: '2', does: 'neck' },
	route: { key: '3', does: 'route' },
	phrase: { key: '4', does: 'phrase' },
	drill: { key: '5', does: 'drill' },
	log: { key: '6', does: 'log' },
	sheet: { key: 'p', does: 'sheet: the page for the music stand' },
	labels: { key: 'n', does: 'note names or roles' },
	more: { key: 'z', does: 'say more, or less' },
	help: { key: '?', does: 'this page', foot: 'keys and terms' }
} as const satisfies KeyMap;

/** Away from the screens of a tune. */
export const ELSEWHERE = {
	stand: { key: 'f', does: 'stand view of the tune that was open last' }
} as const satisfies KeyMap;

/** On every screen of a tune: the band. */
export const BAND = {
	play: { key: ' ', does: 'play, stop' },
	stand: { key: 'f', does: 'stand view' },
	loop: { key: 'q', does: 'loop the bars round this change, or let go' },
	speed: { back: '-', on: ['=', '+'], does: 'slower, faster' },
	tap: { key: 'y', does: 'tap the tempo' }
} as const satisfies KeyMap;

/** Over a screen: what a player reads from a music stand. */
export const STAND = {
	play: { key: ' ', does: 'play, stop' },
	along: {
		back: ['PageUp', 'ArrowLeft', ','],
		on: ['PageDown', 'ArrowRight', '.'],
		does: 'back, on: pedals; arrows do the same'
	},
	again: { key: 'Enter', does: 'start, again' },
	place: { back: '[', on: ']', does: 'place toward the nut, toward the body' },
	loop: { key: 'q', does: 'loop, or let go' },
	speed: { back: '-', on: ['=', '+'], does: 'slower, faster' },
	tap: { key: 'y', does: 'tap the tempo' },
	labels: { key: 'n', does: 'note names or roles' },
	close: { key: 'f', does: 'leave it; the band plays on' },
	leave: { key: 'Escape', does: 'leave it and stop' }
} as const satisfies KeyMap;
