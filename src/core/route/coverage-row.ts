/** How one position serves a chart, as counted; `chords` has a score for each distinct chord. */
export type CoverageRow = {
	readonly position: number;
	/** Cost of the best plan here; each change that finds no place adds the planner's price for it. */
	readonly cost: number;
	readonly changes: number;
	readonly landed: number;
	/** Share of the root places of all changes that lie under a finger: not in reach, not open. */
	readonly roots: number;
	/** Distinct chords with a complete root-to-root arpeggio under the fingers. */
	readonly complete: number;
	/** Landings that are a reach. */
	readonly reaches: number;
	/** Moves of the plan by a semitone, by one pitch kept, and all moves. */
	readonly semitones: number;
	readonly stays: number;
	readonly moves: number;
	readonly chords: readonly number[];
	/** Pitches of the scale that the window reaches, and those of them under no finger; null without a scale. */
	readonly scale: { readonly pitches: number; readonly reaches: number } | null;
	/** How well the scale's tonic is found: on the thickest string under finger 1 or 2 (1), on the next, elsewhere, nowhere (0). */
	readonly anchor: number;
	/** The four fingers measured, in mm. */
	readonly mm: number;
};
