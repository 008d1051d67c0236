/** What the lower half of the neck screen shows, each with its key. */
export const PANELS = [
	{ id: 'shapes', key: 'S', name: 'Shapes', says: 'arpeggio shapes in this place' },
	{ id: 'grips', key: 'R', name: 'Grips', says: 'all tones at one time' },
	{ id: 'changes', key: 'C', name: 'Changes', says: 'what moves and what stays' },
	{ id: 'pairs', key: 'D', name: 'Double stops', says: 'two notes at once' },
	{ id: 'bends', key: 'B', name: 'Bends', says: 'bends that land on a chord tone' },
	{ id: 'hidden', key: 'H', name: 'Hidden', says: 'arpeggios hidden in the scale' },
	{ id: 'layouts', key: 'L', name: 'Layouts', says: 'the scale laid out over the neck' },
	{ id: 'places', key: 'K', name: 'Places', says: 'every place, ranked with reasons' },
	{ id: 'words', key: 'V', name: 'Words', says: 'this place, told' }
] as const;
export type Panel = (typeof PANELS)[number]['id'];
