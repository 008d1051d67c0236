import type { KeyMap } from './key-map';

/** How the picked notes are played; while notes are picked these keys come first. */
export const PLAYING = {
	slide: { key: '/', does: 'slide: from the note before, from below, from above, away' },
	hammer: { key: 'h', does: 'hammer on, pull off, tap' },
	bend: { key: 'j', does: 'bend a quarter, half, one, one and a half tones' },
	release: { key: 'y', does: 'let the bend down again' },
	before: { key: 'u', does: 'bend before the stroke' },
	vibrato: { key: '~', does: 'vibrato' },
	trill: { key: 'r', does: 'trill with the scale’s next note' },
	sound: { key: "'", does: 'short, dead, ringing, palm mute' },
	stroke: { key: 'v', does: 'down-stroke, up-stroke' },
	grace: { key: '(', does: 'a grace note before it' }
} as const satisfies KeyMap;
