<script lang="ts">
	import Button from '$lib/ui/parts/Button.svelte';
	import type { NotebookRow, TunePractice } from '$lib/api/home-page';
	import type { Group, SetBoard } from '$lib/state/set-board.svelte';
	import { dragHandleZone, TRIGGERS, type DndEvent } from 'svelte-dnd-action';
	import { plural } from '$lib/words/words';
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
		allowed,
		onmore,
		onremove,
		onchange
	}: Props = $props();

	const set = $derived(group.set);
	const id = $derived(set?.id ?? null);
	const shown = $derived(found ? group.tunes.filter((tune) => found.has(tune.id)) : group.tunes);
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
	const carry = (row?: HTMLElement) => row?.classList.add('carried');
</script>

<section
	class="mt-2.5 data-idle:invisible data-idle:m-0 data-idle:h-0 data-idle:overflow-hidden"
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
	<table class="w-full border-collapse">
		<thead hidden={items.length === 0 && rest.length > 0}>
			<tr>
				<th
					class="w-10 border-b-2 border-ink py-2 pr-3 text-left text-reason font-normal whitespace-nowrap text-second"
					><span class="sr-only">Number</span></th
				>
				<th
					class="border-b-2 border-ink py-2 pr-3 text-left text-reason font-normal whitespace-nowrap text-second"
					>Tune</th
				>
				<th
					class="border-b-2 border-ink py-2 pr-3 text-left text-reason font-normal whitespace-nowrap text-second max-desk:not-nth-3:not-last:hidden max-tablet:not-last:hidden"
					>Key</th
				>
				<th
					class="border-b-2 border-ink py-2 pr-3 text-left text-reason font-normal whitespace-nowrap text-second max-desk:not-nth-3:not-last:hidden max-tablet:not-last:hidden"
					>Form</th
				>
				<th
					class="border-b-2 border-ink py-2 pr-3 text-left text-reason font-normal whitespace-nowrap text-second max-desk:not-nth-3:not-last:hidden max-tablet:not-last:hidden"
					>Tempo, clean</th
				>
				<th
					class="border-b-2 border-ink py-2 pr-3 text-left text-reason font-normal whitespace-nowrap text-second"
					>Changes landed</th
				>
				<th
					class="border-b-2 border-ink py-2 pr-3 text-left text-reason font-normal whitespace-nowrap text-second max-desk:not-nth-3:not-last:hidden max-tablet:not-last:hidden"
					>Places, darker lands better</th
				>
				<th
					class="border-b-2 border-ink py-2 pr-3 text-left text-reason font-normal whitespace-nowrap text-second max-desk:not-nth-3:not-last:hidden max-tablet:not-last:hidden"
					>Last played</th
				>
				<th
					class="border-b-2 border-ink py-2 pr-3 text-left text-reason font-normal whitespace-nowrap text-second max-desk:not-nth-3:not-last:hidden max-tablet:not-last:hidden"
					>Due</th
				>
				<th
					class="border-b-2 border-ink py-2 pr-3 text-left text-reason font-normal whitespace-nowrap text-second max-desk:not-nth-3:not-last:hidden max-tablet:not-last:hidden"
					><span class="sr-only">Delete</span></th
				>
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
					{now}
					number={i + 1}
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
	/* A list without rows still takes what is dropped on it; its words lie over that room. */
	:global(tr.carried) {
		display: block;
		height: auto !important;
		width: auto !important;
		padding: 6px 14px !important;
		background: var(--paper) !important;
		border: 2px solid var(--ink) !important;
		outline: none !important;
	}
	:global(tr.carried td:not(.title)),
	:global(tr.carried .narrow) {
		display: none !important;
	}
	:global(tr.carried td.title) {
		display: block;
		height: auto;
		border: 0;
		padding: 0;
		background: none !important;
	}
</style>
