import type { NotebookRow, TunePractice } from '$lib/api/home-page';
import { keyWords } from '$lib/words/words';
import {
	columnFilteringFeature,
	columnResizingFeature,
	columnSizingFeature,
	columnVisibilityFeature,
	createFilteredRowModel,
	createSortedRowModel,
	rowSortingFeature,
	sortFn_basic,
	sortFn_text,
	tableFeatures,
	type ColumnDef
} from '@tanstack/svelte-table';
import { NARROWEST } from '$lib/state/column-widths.svelte';

/** A tune as the tables of the notebook show it. */
type TuneLine = {
	readonly tune: NotebookRow;
	readonly practice: TunePractice | undefined;
	/** Where it stands in its set, from 1. */
	readonly number: number;
};

export const TUNE_TABLE = tableFeatures({
	columnFilteringFeature,
	columnResizingFeature,
	columnSizingFeature,
	columnVisibilityFeature,
	rowSortingFeature,
	filteredRowModel: createFilteredRowModel(),
	sortedRowModel: createSortedRowModel(),
	sortFns: { basic: sortFn_basic, text: sortFn_text },
	filterFns: {}
});

type Column = ColumnDef<typeof TUNE_TABLE, TuneLine>;
/** Tunes of which something is not known stand last, whatever the order. */
const figure = (id: string, header: string, of: (line: TuneLine) => number | null | undefined) =>
	({
		...{ id, header, sortFn: 'basic', sortUndefined: 'last', minSize: NARROWEST },
		accessorFn: (line) => of(line) ?? undefined
	}) satisfies Column;
const words = (id: string, header: string, of: (line: TuneLine) => string) =>
	({ id, header, accessorFn: of, sortFn: 'text', minSize: NARROWEST }) satisfies Column;

export const TUNE_COLUMNS: Column[] = [
	{ id: 'number', header: 'Number', enableSorting: false, enableResizing: false },
	{
		...words('tune', 'Tune', ({ tune }) => tune.title),
		filterFn: (row, _, found: ReadonlyMap<string, string>) => found.has(row.original.tune.id)
	},
	words('key', 'Key', ({ tune }) => keyWords(tune.key)),
	figure('form', 'Form', ({ tune }) => tune.bars),
	figure('clean', 'Tempo, clean', ({ practice }) => practice?.cleanTempo),
	figure('landed', 'Changes landed', ({ practice }) => practice?.landed),
	figure('places', 'Places, darker lands better', ({ practice }) => practice?.places.length),
	figure('last', 'Last played', ({ practice }) => practice?.lastPlayed),
	figure('due', 'Due', ({ practice }) => practice?.due),
	{ id: 'delete', header: 'Delete', enableSorting: false, enableResizing: false }
];

/** Columns that a player asks for with “More”. */
export const MORE_COLUMNS: readonly string[] = ['clean', 'places', 'last'];
/** From which width of the screen on a column is shown. */
export const SHOWN_FROM: Readonly<Record<string, string>> = {
	...{ key: 'tablet', form: 'desk', clean: 'desk', places: 'desk', last: 'desk', due: 'desk' }
};

/** The order that the player chose, by a column; null is that of the sets. */
export type TuneOrder = { readonly id: string; readonly desc: boolean } | null;

/** What is asked for first of a column: the best, the longest, the latest; names and what is due from the front. */
const FIRST_UP = ['tune', 'key', 'due'];

/** The order that an address asks for; anything else in it is as if it were not there. */
export function orderOf(params: URLSearchParams): TuneOrder {
	const id = params.get('by');
	const known = TUNE_COLUMNS.some((column) => column.id === id && column.enableSorting !== false);
	return id && known ? { id, desc: params.get('order') === 'down' } : null;
}

/** The order after a column was pressed: its first one, the other way round, then that of the sets again. */
export function orderAfter(order: TuneOrder, id: string): TuneOrder {
	const first = !FIRST_UP.includes(id);
	if (order?.id !== id) return { id, desc: first };
	return order.desc === first ? { id, desc: !first } : null;
}

/** The address of an order, what else it asks for left as it is. */
export function orderHref(url: URL, order: TuneOrder): string {
	const params = new URLSearchParams(url.searchParams);
	params.delete('by');
	params.delete('order');
	if (order) params.set('by', order.id);
	if (order?.desc) params.set('order', 'down');
	const text = params.toString();
	return text ? `${url.pathname}?${text}` : url.pathname;
}
