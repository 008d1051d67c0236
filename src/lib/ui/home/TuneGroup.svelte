<script lang="ts">
	import { prefs } from '$lib/state/prefs.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import type { NotebookRow, TunePractice } from '$lib/api/home-page';
	import type { Group, SetBoard } from '$lib/state/set-board.svelte';
	import { dragHandleZone, TRIGGERS, type DndEvent } from 'svelte-dnd-action';
	import { plural } from '$lib/words/words';
	import type { ColumnWidths } from '$lib/state/column-widths.svelte';
	import ColumnGroup from '$lib/ui/parts/ColumnGroup.svelte';
	import ColumnHead from '$lib/ui/parts/ColumnHead.svelte';
	import { createTable } from '@tanstack/svelte-table';
	import { MediaQuery } from 'svelte/reactivity';
	import {
		MORE_COLUMNS,
		SHOWN_FROM,
		TUNE_COLUMNS,
		TUNE_TABLE,
		type TuneOrder
	} from './tune-columns';
	import TuneRow from './TuneRow.svelte';

	/** A set with its tunes in playing order, or the tunes outside all sets. */
	type Props = {
		group: Group<NotebookRow>;
		board: SetBoard<NotebookRow>;
		practice: ReadonlyMap<string, TunePractice>;
		now: number;
		/** What tunes are called that are in no set. */
		outside: string;
		/** Where a search found each tune; null without a search. */
		found: ReadonlyMap<string, string> | null;
		movable: boolean;
		/** The order that the player chose, and where the one after a press of a column is shown. */
		order: TuneOrder;
		hrefOf: (column: string) => string;
		widths: ColumnWidths;
		/** Its heads make the columns of all groups wider. */
		leads: boolean;
		/** Rows that are drawn. */
		allowed: number;
		/** More of them are wanted. */
		onmore: () => void;
		onremove: (tune: NotebookRow) => void;
		onchange: () => void;
	};
	let {
		group,
		board,
		practice,
		now,
		outside,
		found,
		movable,
		order,
		hrefOf,
		widths,
		leads,
		allowed,
		onmore,
		onremove,
		onchange
	}: Props = $props();

	const set = $derived(group.set);
	const id = $derived(set?.id ?? null);
	const lines = $derived(
		group.tunes.map((tune, i) => ({ tune, practice: practice.get(tune.id), number: i + 1 }))
	);
	const lessColumns = Object.fromEntries(MORE_COLUMNS.map((id) => [id, false]));
	const table = createTable({
		features: TUNE_TABLE,
		columns: TUNE_COLUMNS,
		columnResizeMode: 'onChange',
		getRowId: ({ tune }) => tune.id,
		get data() {
			return lines;
		},
		onColumnSizingChange: (change) =>
			widths.set(typeof change === 'function' ? change({ ...widths.current }) : change),
		state: {
			get sorting() {
				return order ? [{ ...order }] : [];
			},
			get columnFilters() {
				return found ? [{ id: 'tune', value: found }] : [];
			},
			get columnVisibility() {
				return prefs.current.more ? {} : lessColumns;
			},
			get columnSizing() {
				return { ...widths.current };
			}
		}
	});
	const rows = $derived(table.getRowModel().rows.map((row) => row.original));
	const byId = $derived(new Map(rows.map((line) => [line.tune.id, line])));
	const shown = $derived(rows.map(({ tune }) => tune));
	const heads = $derived(table.getHeaderGroups()[0]?.headers ?? []);
	const columns = $derived(new Set(heads.map(({ column }) => column.id)));
	/** Widths of the player’s are for a desk: elsewhere columns come and go with the width of the screen. */
	const desk = new MediaQuery('(width >= 68.75rem)', false);
	const fixed = $derived(desk.current && heads.some(({ column }) => column.id in widths.current));
	const ids = $derived(heads.map(({ column }) => column.id));
	const wide = $derived(widths.total(ids));
	const hidden = $derived(
		shown.length === 0 && (found !== null || (set === null && !board.dragging))
	);
	const items = $derived(shown.slice(0, allowed));
	const rest = $derived(shown.slice(allowed));

	function lay({ detail }: CustomEvent<DndEvent<NotebookRow>>): void {
		if (detail.info.trigger === TRIGGERS.DRAG_STARTED) board.dragging = true;
		board.lay(id, [...detail.items, ...rest]);
	}
	function drop({ detail }: CustomEvent<DndEvent<NotebookRow>>): void {
		board.dragging = false;
		board.lay(id, [...detail.items, ...rest]);
		// The group that it left says so as well; the one that has it now saves both.
		if (detail.info.trigger === TRIGGERS.DROPPED_INTO_ANOTHER) return;
		const tune = detail.items.find((one) => one.id === detail.info.id);
		void board.save(`${tune?.title ?? 'The tune'} is moved.`);
	}
	/** What is carried is only its name. */
	const carry = (row?: HTMLElement) => row?.setAttribute('data-carried', '');
</script>

<section
	class="@container mt-2.5 data-idle:invisible data-idle:m-0 data-idle:h-0 data-idle:overflow-hidden"
	data-idle={hidden || undefined}
>
	<div class="flex flex-wrap items-baseline gap-x-3 gap-y-0">
		<h2 class="text-verdict">{set?.name ?? outside}</h2>
		{#if set?.note}<small class="text-reason text-second">{set.note}</small>{/if}
		{#if set}
			<span class="ml-auto flex gap-4">
				<Button look="quiet" href="/sets/{set.id}">Set list</Button>
				<Button look="quiet" onclick={onchange} aria-label="Change {set.name}">Change</Button>
			</span>
		{/if}
	</div>
	<table
		data-fixed={fixed || undefined}
		style:width={fixed ? `${wide}px` : null}
		class="w-full border-collapse data-fixed:table-fixed @max-[67rem]:[&_[data-from=desk]]:hidden @max-[38rem]:[&_[data-from=tablet]]:hidden [&_td]:h-11 [&_td]:border-b [&_td]:border-hair [&_td]:pr-3 [&_td]:whitespace-nowrap max-tablet:[&_td]:pr-2 max-tablet:[&_td]:whitespace-normal [&_th]:border-b-2 [&_th]:border-ink [&_th]:py-2 [&_th]:pr-3 [&_th]:text-left [&_th]:text-reason [&_th]:font-normal [&_th]:whitespace-nowrap [&_th]:text-second"
	>
		{#if fixed}
			<ColumnGroup columns={ids} {widths} />
		{/if}
		<thead hidden={items.length === 0 && rest.length > 0}>
			<tr>
				{#each heads as header (header.id)}
					{@const { column } = header}
					<ColumnHead
						column={column.id}
						name={String(column.columnDef.header)}
						silent={column.id === 'number' || column.id === 'delete'}
						from={SHOWN_FROM[column.id]}
						href={column.getCanSort() ? hrefOf(column.id) : undefined}
						sorted={column.getIsSorted()}
						widths={leads ? widths : undefined}
						ondrag={column.getCanResize() ? header.getResizeHandler() : undefined}
						class={column.id === 'number' ? 'w-10' : ''}
					/>
				{/each}
			</tr>
		</thead>
		<tbody
			class="data-bare:after:block data-bare:after:h-11 data-bare:after:content-['']"
			data-bare={items.length === 0 || undefined}
			data-set={id ?? ''}
			use:dragHandleZone={{
				items,
				type: 'tunes',
				flipDurationMs: 0,
				dragDisabled: !movable,
				dropTargetStyle: {},
				autoAriaDisabled: true,
				zoneTabIndex: -1,
				useCursorForDetection: true,
				// What is carried is narrower than a row: it stays where the pointer took it.
				morphDisabled: true,
				transformDraggedElement: carry
			}}
			onconsider={lay}
			onfinalize={drop}
		>
			{#each items as tune, i (tune.id)}
				<TuneRow
					{tune}
					practice={practice.get(tune.id)}
					{columns}
					{now}
					number={byId.get(tune.id)?.number ?? i + 1}
					where={found?.get(tune.id) ?? ''}
					{movable}
					onremove={() => onremove(tune)}
				/>
			{/each}
		</tbody>
	</table>
	{#if rest.length > 0}
		<p
			class="data-empty:relative data-empty:-mt-11 data-empty:h-11 data-empty:border-b data-empty:border-b-hair data-empty:px-0 data-empty:py-3 data-empty:text-second data-empty:not-has-[button]:pointer-events-none"
			data-empty={items.length === 0 || undefined}
		>
			<Button look="quiet" onclick={onmore}>
				{items.length === 0
					? `Show ${plural(rest.length, 'tune')}`
					: `Show more: ${rest.length} are left`}
			</Button>
		</p>
	{:else if shown.length === 0}
		<p
			class="relative -mt-11 h-11 border-b border-hair py-3 text-second not-has-[button]:pointer-events-none"
		>
			{#if set}
				No tune yet: drag one here by its number, or press <kbd class="font-mono font-bold">Alt</kbd
				> <kbd class="font-mono font-bold">↑</kbd>
				<kbd class="font-mono font-bold">↓</kbd> on a tune.
			{:else}
				Drop it here to take it out of its set.
			{/if}
		</p>
	{:else if found}
		<p class="sr-only" role="status">
			{plural(shown.length, 'tune')} found in {set?.name ?? outside}
		</p>
	{/if}
</section>

<style>
	/* The row that is carried hangs outside the list, put there by the drag: only its title is shown. */
	:global(tr[data-carried]) {
		display: block;
		height: auto !important;
		width: auto !important;
		padding: 6px 14px !important;
		background: var(--paper) !important;
		border: 2px solid var(--ink) !important;
		outline: none !important;
	}
	:global(tr[data-carried] > td:not([data-title])),
	:global(tr[data-carried] a ~ span) {
		display: none !important;
	}
	:global(tr[data-carried] > td[data-title]) {
		display: block;
		background: none !important;
	}
</style>
