import type { DueCard } from '$core/practice';
import type { SetAnswer, TuneAnswer } from './notebook-schema';
import type { CardDrill } from './practice-schema';

/** A card with how it has been going, as home shows it. */
export type PractisedCard = DueCard & {
	readonly drill: CardDrill;
	readonly tempo: number;
	readonly takes: number;
	/** The player took it out of the schedule. */
	readonly resting: boolean;
};

/** What a row of the notebook shows of a tune's practice. */
export type TunePractice = {
	readonly cleanTempo: number | null;
	readonly landed: number | null;
	readonly places: readonly { readonly position: number; readonly landed: number | null }[];
	readonly lastPlayed: number | null;
	readonly due: number | null;
};

/** A row of the notebook: a tune and where it is planned. */
export type NotebookRow = Omit<TuneAnswer, 'chart' | 'createdAt' | 'updatedAt'> & {
	readonly routes: readonly { id: string; position: number; landed: number; changes: number }[];
};

/** What the board shows: tunes, the sets that they stand in, and how they go. */
export type Board = {
	readonly tunes: readonly NotebookRow[];
	readonly sets: readonly SetAnswer[];
	readonly practice: ReadonlyMap<string, TunePractice>;
};

/** The player's record in a few figures. */
export type Lately = {
	readonly takes: number;
	/** Share that landed in the first and in the last of the weeks, null without takes. */
	readonly first: number | null;
	readonly last: number | null;
};
