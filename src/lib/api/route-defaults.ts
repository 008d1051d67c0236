import type { Anchors, LineSettings } from './notebook-schema';

/** Nothing is fixed. */
export const NO_ANCHORS: Anchors = {
	locks: [],
	letPass: [],
	forbid: [],
	frozen: [],
	fingers: [],
	arrive: [],
	leans: [],
	scales: []
};

/** Landings alone. */
export const NO_LINE: LineSettings = {
	grid: 'targets',
	scalePlan: 'one',
	alternate: { four: null, five: null },
	only: false,
	cell: 'steady',
	cells: [],
	anticipate: false,
	spice: 0.4,
	seed: 0,
	direction: null,
	roam: null,
	slide: 0,
	block: false,
	talk: [],
	places: []
};

/** What a first route is planned with: a line in eighths that breathes after each landing. */
export const FIRST_LINE: LineSettings = { ...NO_LINE, grid: 'eighth', cell: 'breath' };
