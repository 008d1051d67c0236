import type { Style } from '$core/route';

/** What the landing styles are called, and what they do in a few words. */
export const STYLE_NAMES: Record<Style, { name: string; short: string; says: string }> = {
	'guide-tones': {
		name: 'Guide tones',
		short: 'Guide tones',
		says: 'Thirds and sevenths: they tell the chord.'
	},
	nearest: {
		name: 'Nearest chord tone',
		short: 'Nearest',
		says: 'Any chord tone, the smoothest way.'
	},
	roots: { name: 'Roots', short: 'Roots', says: 'Every root: sure, but it jumps.' },
	arpeggio: {
		name: 'Arpeggio only',
		short: 'Arpeggio',
		says: 'Every note a chord tone, landings and ways alike.'
	},
	blend: {
		name: 'Blend',
		short: 'Blend',
		says: 'Minor pentatonic of home, with the third of each chord where it falls.'
	},
	mirror: {
		name: 'Mirror',
		short: 'Mirror',
		says: 'One cell moved to each chord, the same kind of tone every time.'
	}
};
