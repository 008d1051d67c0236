<script lang="ts">
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

<section class="set" class:idle={hidden}>
	<div class="head">
		<h2>{set?.name ?? outside}</h2>
		{#if set?.note}<small>{set.note}</small>{/if}
		{#if set}
			<span class="acts">
				<a class="quiet" href="/sets/{set.id}">Set list</a>
				<button class="quiet" type="button" onclick={onchange} aria-label="Change {set.name}">
					Change
				</button>
			</span>
		{/if}
	</div>
	<table>
		<thead hidden={items.length === 0 && rest.length > 0}>
			<tr>
				<th class="no"><span class="sr">Number</span></th>
				<th>Tune</th>
				<th class="wide">Key</th>
				<th class="wide">Form</th>
				<th class="wide">Tempo, clean</th>
				<th>Changes landed</th>
				<th class="wide">Places, darker lands better</th>
				<th class="wide">Last played</th>
				<th class="wide">Due</th>
				<th class="wide"><span class="sr">Delete</span></th>
			</tr>
		</thead>
		<tbody
			data-set={id ?? ''}
			class:bare={items.length === 0}
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
		<p class:empty={items.length === 0}>
			<button class="quiet" type="button" onclick={onmore}>
				{items.length === 0
					? `Show ${plural(rest.length, 'tune')}`
					: `Show more: ${rest.length} are left`}
			</button>
		</p>
	{:else if shown.length === 0}
		<p class="empty">
			{#if set}
				No tune yet: drag one here by its number, or press <kbd>Alt</kbd> <kbd>↑</kbd>
				<kbd>↓</kbd> on a tune.
			{:else}
				Drop it here to take it out of its set.
			{/if}
		</p>
	{:else if found}
		<p class="sr" role="status">{plural(shown.length, 'tune')} found in {set?.name ?? outside}</p>
	{/if}
</section>

<style>
	.set {
		margin-top: 10px;
	}
	.set.idle {
		height: 0;
		margin: 0;
		overflow: hidden;
		visibility: hidden;
	}
	.head {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		gap: 0 12px;
	}
	.head h2 {
		font-size: 24px;
	}
	.head small {
		font-size: 13px;
		color: var(--second);
	}
	.acts {
		display: flex;
		gap: 16px;
		margin-left: auto;
	}
	.acts .quiet {
		font-size: 14px;
	}
	table {
		width: 100%;
		border-collapse: collapse;
	}
	th {
		text-align: left;
		font-weight: 400;
		font-size: 13px;
		color: var(--second);
		padding: 8px 12px 7px 0;
		border-bottom: 2px solid var(--ink);
		white-space: nowrap;
	}
	.no {
		width: 40px;
	}
	/* A list without rows still takes what is dropped on it; its words lie over that room. */
	.bare::after {
		content: '';
		display: block;
		height: 44px;
	}
	.empty:not(:has(button)) {
		pointer-events: none;
	}
	.empty {
		position: relative;
		height: 44px;
		margin-top: -44px;
		padding: 11px 0;
		border-bottom: 1px solid var(--hair);
		color: var(--second);
	}
	kbd {
		font-family: var(--font-mono);
		font-weight: 700;
	}
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
	@media (max-width: 1099px) {
		.wide:not(:nth-child(3)):not(:last-child) {
			display: none;
		}
	}
	@media (max-width: 640px) {
		.wide:not(:last-child) {
			display: none;
		}
	}
</style>
