import type { Chart } from '$core/chart';
import type { FileNote } from '$core/formats';
import type { Instrument } from '$core/neck';
import type { Style } from '$core/route';
import type { Ink } from './ink';
import type { Landing } from './route-block';

/** What stands on the page. */
export type SheetContent = {
	readonly chart: Chart;
	readonly instrument: Instrument;
	readonly position: number;
	/** Where the hand is at each change, where it moves. */
	readonly windows: readonly number[] | null;
	/** Null for a tune without a route. */
	readonly route: {
		readonly name: string;
		readonly style: Style;
		readonly grid: string;
		readonly notes: readonly FileNote[];
		readonly landings: readonly (Landing & { change: number; string: number; fret: number })[];
	} | null;
	/** The set that the tune stands in, its number there and how many there are. */
	readonly set: { readonly name: string; readonly number: number; readonly count: number } | null;
};

/** A part of the page that is not broken. */
export type Block = {
	readonly ink: readonly Ink[];
	readonly height: number;
	readonly heads?: true;
};
