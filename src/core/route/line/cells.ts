import { type Result, QUARTER } from '../../kernel';
import { barTicks, type Chart } from '../../chart';

/** Where the notes of a line may stand; `targets` plans landings alone. */
export const GRIDS = ['targets', 'quarter', 'eighth', 'triplet', 'sixteenth'] as const;
export type Grid = (typeof GRIDS)[number];
export type LineGrid = Exclude<Grid, 'targets'>;

/** Notes to the quarter on each grid. */
export const PER_QUARTER: Record<LineGrid, number> = {
	quarter: 1,
	eighth: 2,
	triplet: 3,
	sixteenth: 4
};

/** Places of a grid in the chart's usual bar. */
export const placesInBar = (chart: Chart, grid: LineGrid): number =>
	Math.ceil((barTicks(chart.headers.time) / QUARTER) * PER_QUARTER[grid]);

/** What happens on one place of the grid: a note, the note before held on, a rest. */
export type Mark = 'x' | '-' | '.';

/**
 * A rhythm cell: a mark for every place of a bar, from the place's index, the places to a quarter, and
 * the places in the bar. `breathes`: each landing is held a while before the line goes on.
 */
export type Cell = {
	readonly id: string;
	readonly name: string;
	readonly says: string;
	readonly breathes: boolean;
	readonly mark: (slot: number, perQuarter: number, slots: number) => Mark;
};

const cell = (
	id: string,
	name: string,
	says: string,
	mark: Cell['mark'],
	breathes = false
): Cell => ({ id, name, says, mark, breathes });

/** Three and three and two of every eight places; on triplets long and short. */
const LEANING = 'x--x--x-';

/** A note on every place; what stands in for a cell that does not fit. */
export const STEADY: Cell = cell('steady', 'Steady', 'A note on every place.', () => 'x');

export const CELLS: readonly Cell[] = [
	STEADY,
	cell('breath', 'Breathe after landing', 'Hold each landing, then move on.', () => 'x', true),
	cell('long-short', 'Long and two short', 'One beat held, one beat played.', (slot, n) =>
		slot % n === 0 || Math.floor(slot / n) % 2 === 1 ? 'x' : '-'
	),
	cell('rest-first', 'Rest first', 'Silence on one and three; landings still sound.', (slot, n) =>
		slot % (2 * n) === 0 ? '.' : 'x'
	),
	cell(
		'leaning',
		'Three, three, two',
		'Two long notes and a shorter one, over and over.',
		(slot, n) => (n === 3 ? (slot % 3 === 1 ? '-' : 'x') : (LEANING[slot % 8] as Mark))
	),
	cell(
		'late',
		'Late entry',
		'Hold half the bar, then run into the next landing.',
		(slot, _, slots) => (slot === 0 || slot >= slots / 2 ? 'x' : '-')
	)
];

/** Marks a cell may be written in by hand, over one bar of the grid. */
const WRITTEN = /^[x.-]+$/;

/**
 * Reads a cell: the id of a known one, or marks over one bar (`x` play, `-` hold, `.` rest).
 * @param slots places of the grid in the chart's first bar
 * @returns the cell, or what is wrong with it
 */
export function readCell(text: string, slots: number): Result<Cell, string> {
	const known = CELLS.find((entry) => entry.id === text);
	if (known) return { value: known };
	if (!WRITTEN.test(text)) {
		const ids = CELLS.map((entry) => entry.id).join(', ');
		const error = `“${text}” is no rhythm cell. Use ${ids}, or one bar of x (play), - (hold) and . (rest).`;
		return { error };
	}
	if (text.length !== slots) {
		const error = `This cell has ${text.length} marks; a bar of this chart has ${slots} places on the grid.`;
		return { error };
	}
	return { value: cell('own', 'Own', text, (slot) => text[slot % text.length] as Mark) };
}
