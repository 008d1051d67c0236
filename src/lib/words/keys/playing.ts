import type { KeyMap } from './key-map';

/** How the picked notes are played; none of these keys has other work on the screen while notes are picked. */
export const PLAYING = {
	slide: { key: '/', does: 'slide: from the note before, from below, from above, away' },
	hammer: { key: 'h', does: 'hammer on, pull off, tap' },
	bend: { key: 'u', does: 'bend a quarter, half, one, one and a half tones' },
	release: { key: 'y', does: 'let the bend down again' },
	before: { key: '"', does: 'bend before the stroke' },
	vibrato: { key: '~', does: 'vibrato' },
	trill: { key: 'q', does: 'trill with the scale’s next note' },
	sound: { key: "'", does: 'short, dead, ringing, palm mute' },
	stroke: { key: '|', does: 'down-stroke, up-stroke' },
	grace: { key: '(', does: 'a grace note before it' }
} as const satisfies KeyMap;
