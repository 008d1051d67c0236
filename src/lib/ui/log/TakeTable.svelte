<script lang="ts">
	import { browser } from '$app/environment';
	import { proseSigns } from '$core/chord';
	import type { Log, LogFilter, LogTake, Sort } from '$lib/api/log-page';
	import { send } from '$lib/state/api';
	import { ColumnWidths, NARROWEST } from '$lib/state/column-widths.svelte';
	import { INPUT_NAMES } from '$lib/state/input-words';
	import { LogRows } from '$lib/state/log-rows.svelte';
	import ColumnGroup from '$lib/ui/parts/ColumnGroup.svelte';
	import ColumnHead from '$lib/ui/parts/ColumnHead.svelte';
	import Toggle from '$lib/ui/parts/Toggle.svelte';
	import { ago } from '$lib/words/when';
	import {
		columnResizingFeature,
		columnSizingFeature,
		createTable,
		rowSortingFeature,
		tableFeatures,
		type ColumnDef
	} from '@tanstack/svelte-table';
	import { createVirtualizer } from '@tanstack/svelte-virtual';
	import { onMount, untrack } from 'svelte';
	import { MediaQuery } from 'svelte/reactivity';
	import { toast } from 'svelte-sonner';
	import { get } from 'svelte/store';
	import NoteField from '../NoteField.svelte';

	/**
	 * The takes, sorted by any column; a note is written in place. Rows are drawn where they are in sight: the others
	 * of a long log are fetched as it is scrolled through.
	 */
	type Props = {
		log: Log;
		filter: LogFilter;
		now: number;
		chosen: readonly string[];
		/** The address with another filter. */
		href: (change: Partial<LogFilter>) => string;
		onchoose: (take: LogTake) => void;
		onnote: (take: LogTake, note: string) => Promise<void>;
		onremove: (take: LogTake) => void;
	};
	let { log, filter, now, chosen, href, onchoose, onnote, onremove }: Props = $props();

	const features = tableFeatures({ rowSortingFeature, columnSizingFeature, columnResizingFeature });
	/** A row of the log by its index; the take, once it is known. */
	type Row = { readonly index: number; readonly take: LogTake | undefined };
	const SORTED: readonly (readonly [Sort, string])[] = [
		['when', 'When'],
		['tune', 'Tune'],
		['place', 'Place'],
		['key', 'Key'],
		['tempo', 'Tempo'],
		['landed', 'Landed']
	];
	const columns: ColumnDef<typeof features, Row>[] = [
		...SORTED.map(([id, header]) => ({ id, header, minSize: NARROWEST })),
		{ id: 'note', header: 'Note', enableSorting: false, minSize: NARROWEST },
		{ id: 'act', header: 'Compare, delete', enableSorting: false, enableResizing: false }
	];
	const widths = new ColumnWidths('takes');
	onMount(() => widths.load());

	const rows = new LogRows((skip) => {
		const { search } = new URL(href({ skip }), location.href);
		return send<LogTake[]>('GET', `/takes.json${search}`);
	});
	untrack(() => rows.show(log, filter.skip));
	$effect.pre(() => {
		const [next, skip] = [log, filter.skip];
		untrack(() => rows.show(next, skip));
	});

	/** Px of a row, which grows with the text of the browser. */
	let row = $state(28);
	onMount(() => (row = 1.75 * parseFloat(getComputedStyle(document.documentElement).fontSize)));
	let frame: HTMLDivElement | undefined = $state();
	const virtual = createVirtualizer<HTMLDivElement, HTMLTableRowElement>({
		count: untrack(() => rows.count),
		getScrollElement: () => frame ?? null,
		estimateSize: () => row,
		overscan: 8
	});
	$effect(() => {
		const [count, element, size] = [rows.count, frame ?? null, row];
		const list = get(virtual);
		list.setOptions({ count, getScrollElement: () => element, estimateSize: () => size });
		list.measure();
	});
	/** Rows that a browser draws before it has measured how many are in sight. */
	const AT_FIRST = 20;
	/** What is in sight, and some more; on the server what the page brought. */
	const seen = $derived.by((): { from: number; to: number } => {
		const items = $virtual.getVirtualItems();
		const [first] = items;
		const last = items.at(-1);
		if (!first || !last)
			return {
				from: filter.skip,
				to: Math.min(rows.count, filter.skip + (browser ? AT_FIRST : log.page))
			};
		return { from: first.index, to: Math.min(rows.count, last.index + 1) };
	});
	$effect(() => {
		const { from, to } = seen;
		void rows.count;
		void log;
		untrack(() => rows.want(from, to)).catch((error: Error) => toast(error.message));
	});
	// Another order or another filter begins at the top.
	const order = $derived([filter.tune, filter.place, filter.key, filter.sort, filter.down].join());
	$effect(() => {
		void order;
		untrack(() => frame?.scrollTo({ top: 0 }));
	});

	const table = createTable({
		features,
		columns,
		manualSorting: true,
		columnResizeMode: 'onChange',
		getRowId: ({ index, take }) => take?.id ?? `row-${index}`,
		get data(): Row[] {
			const { from, to } = seen;
			return Array.from({ length: to - from }, (_, i) => ({
				index: from + i,
				take: rows.at(from + i)
			}));
		},
		onColumnSizingChange: (change) =>
			widths.set(typeof change === 'function' ? change({ ...widths.current }) : change),
		state: {
			get sorting() {
				return [{ id: filter.sort, desc: filter.down }];
			},
			get columnSizing() {
				return { ...widths.current };
			}
		}
	});
	/** Widths of the player’s are for a desk: elsewhere columns come and go with the width of the screen. */
	const desk = new MediaQuery('(width >= 68.75rem)', false);
	const set = $derived(desk.current && Object.keys(widths.current).length > 0);
	const heads = $derived(table.getHeaderGroups()[0]?.headers ?? []);
	const ids = $derived(heads.map(({ column }) => column.id));
	const wide = $derived(widths.total(ids));

	const landed = (take: LogTake): string => {
		if (take.grade !== null) {
			return { clean: 'clean, by ear', nearly: 'nearly, by ear', not: 'not yet, by ear' }[
				take.grade
			];
		}
		const share = take.asked === 0 ? 0 : Math.round((100 * take.landed) / take.asked);
		return `${take.landed} of ${take.asked}, ${share} %`;
	};
	const ICON = 'h-6.5 min-w-6.5 text-second hover:text-ink';
</script>

<div
	bind:this={frame}
	class="@container relative max-h-[min(38rem,80dvh)] overflow-auto [overflow-anchor:none] print:max-h-none"
	role="region"
	aria-label="Takes"
>
	<table
		class="w-full border-collapse text-line data-set:table-fixed [&_td]:h-7 [&_td]:truncate [&_td]:border-b [&_td]:border-hair [&_td]:pr-3.5 [&_td]:text-left [&_td]:whitespace-nowrap [&_th]:h-7 [&_th]:border-b [&_th]:border-hair [&_th]:bg-paper [&_th]:pr-3.5 [&_th]:text-left [&_th]:text-reason [&_th]:font-normal [&_th]:whitespace-nowrap [&_th]:text-second"
		aria-rowcount={rows.count + 1}
		data-set={set || undefined}
		style:width={set ? `${wide}px` : null}
	>
		{#if set}
			<ColumnGroup columns={ids} {widths} />
		{/if}
		<thead class="sticky top-0 z-1">
			<tr aria-rowindex="1">
				{#each heads as header (header.id)}
					{@const { column } = header}
					{@const sort = SORTED.find(([id]) => id === column.id)?.[0]}
					<ColumnHead
						column={column.id}
						name={String(column.columnDef.header)}
						silent={column.id === 'act'}
						href={sort && href({ sort, down: filter.sort === sort ? !filter.down : true, skip: 0 })}
						sorted={column.getIsSorted()}
						{widths}
						ondrag={column.getCanResize() ? header.getResizeHandler() : undefined}
						class="{column.id === 'tempo' ? 'text-right!' : ''} {column.id === 'key' ||
						column.id === 'note'
							? '@max-[34rem]:hidden'
							: ''}"
					/>
				{/each}
			</tr>
		</thead>
		<tbody>
			{#if seen.from > 0}<tr aria-hidden="true"
					><td class="h-0! border-0! p-0!" colspan={heads.length}
						><div style:height="{seen.from * row}px"></div></td
					></tr
				>{/if}
			{#each table.getRowModel().rows as line (line.id)}
				{@const { take, index } = line.original}
				{#if take}
					{@const marked = chosen.includes(take.id)}
					<tr
						class="data-chosen:[&>td]:bg-lit"
						aria-rowindex={index + 2}
						data-chosen={marked || undefined}
						data-tip={proseSigns(take.rule)}
					>
						<td>{ago(new Date(take.playedAt).getTime(), now)}</td>
						<td class="font-semibold"
							><a
								class="hover:underline hover:underline-offset-4"
								href="/tunes/{take.tuneId}/drill?position={take.position}">{take.title}</a
							></td
						>
						<td>{take.position}</td>
						<td class="@max-[34rem]:hidden">{proseSigns(take.key)}</td>
						<td class="text-right!">{Math.round(take.tempo)}</td>
						<td>{landed(take)}{take.looped ? ' (part)' : ''}</td>
						<td class="max-w-55 @max-[34rem]:hidden">
							<NoteField stays note={take.note} onwrite={(note) => void onnote(take, note)} />
						</td>
						<td class="pr-0! text-right!">
							<Toggle
								class={ICON}
								pressed={marked}
								disabled={take.grade !== null}
								aria-label="Compare this take, {INPUT_NAMES[take.input]}"
								onchange={() => onchoose(take)}>{marked ? '◆' : '◇'}</Toggle
							>
							<button
								class={ICON}
								type="button"
								aria-label="Delete this take"
								onclick={() => onremove(take)}>✕</button
							>
						</td>
					</tr>
				{:else}
					<tr aria-rowindex={index + 2}><td class="text-third" colspan={heads.length}>…</td></tr>
				{/if}
			{/each}
			{#if seen.to < rows.count}<tr aria-hidden="true"
					><td class="h-0! border-0! p-0!" colspan={heads.length}
						><div style:height="{(rows.count - seen.to) * row}px"></div></td
					></tr
				>{/if}
		</tbody>
	</table>
</div>
