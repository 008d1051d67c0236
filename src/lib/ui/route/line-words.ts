import { CELLS, type Grid, type ScalePlan } from '$core/route';
import type { LineSettings } from '$lib/api/notebook-schema';

/** How a line's wishes are called on the screen. */
export const GRID_WORDS: Record<Grid, string> = {
	targets: 'Landings',
	quarter: 'Quarters',
	eighth: 'Eighths',
	triplet: 'Triplets',
	sixteenth: 'Sixteenths'
};

export const SCALE_PLAN_WORDS: Record<ScalePlan, { name: string; says: string }> = {
	one: { name: 'One scale', says: 'The scale in use, over every chord.' },
	follow: { name: 'Follow', says: 'The nearest edit of it that holds each chord.' },
	alternate: {
		name: 'Alternate',
		says: 'Major and minor pentatonic of home, by chord; they change places on the repeat.'
	},
	arpeggio: { name: 'Chord tones', says: 'No scale: the tones of each chord.' }
};

/** The name of a rhythm cell; one that the player wrote is told by its marks. */
export const cellWords = (cell: string): string =>
	CELLS.find((entry) => entry.id === cell)?.name ?? cell;

/** A line's wishes in a few words: `eighths, breathe after landing`. */
export function lineWords(line: LineSettings): string {
	if (line.grid === 'targets') return 'landings alone';
	const parts = [GRID_WORDS[line.grid].toLowerCase(), cellWords(line.cell).toLowerCase()];
	if (line.scalePlan !== 'one') parts.push(SCALE_PLAN_WORDS[line.scalePlan].name.toLowerCase());
	if (line.roam) parts.push('the hand moves');
	return parts.join(', ');
}
