import type { ChordKind, Habits } from '$core/practice';
import type { TakeSummaryAnswer } from './practice-schema';

/** Columns by which takes can be sorted. */
export const SORTS = ['when', 'tune', 'place', 'key', 'tempo', 'landed'] as const;
export type Sort = (typeof SORTS)[number];

/** Which takes are shown, and in which order. */
export type LogFilter = {
	readonly tune: string | null;
	readonly place: number | null;
	readonly key: string | null;
	readonly sort: Sort;
	readonly down: boolean;
	/** Takes before the first one shown. */
	readonly skip: number;
};

export type LogTake = TakeSummaryAnswer & { readonly title: string };

export type Week = {
	/** First day, ms since 1970. */
	readonly begins: number;
	readonly takes: number;
	readonly share: number | null;
	readonly minutes: number;
};
/** The share that landed of something, week by week; null where it was not played. */
export type Series = { readonly name: string; readonly shares: readonly (number | null)[] };

export type Log = {
	readonly totals: {
		readonly takes: number;
		readonly durationMs: number;
		readonly first: number | null;
		readonly last: number | null;
	};
	readonly weeks: readonly Week[];
	/** The place and the key that stay furthest behind. */
	readonly behind: { readonly place: number | null; readonly key: string | null };
	readonly series: readonly Series[];
	readonly heat: readonly {
		readonly position: number;
		readonly kind: ChordKind;
		readonly asked: number;
		readonly landed: number;
	}[];
	readonly tempos: readonly {
		readonly id: string;
		readonly title: string;
		readonly clean: number | null;
		readonly aim: number;
	}[];
	readonly takes: readonly LogTake[];
	readonly found: number;
	/** Most takes that are shown at a time. */
	readonly page: number;
	readonly choices: {
		readonly tunes: readonly { readonly id: string; readonly title: string }[];
		readonly places: readonly number[];
		readonly keys: readonly string[];
	};
};

/** What is played well and badly of one tune at one place. */
export type TuneHabits = Habits & {
	readonly tuneId: string;
	readonly title: string;
	readonly position: number;
	readonly takes: number;
	/** Strings of the instrument. */
	readonly strings: number;
};
