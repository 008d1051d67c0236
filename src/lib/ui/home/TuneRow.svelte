<script lang="ts">
	import type { NotebookRow, TunePractice } from '$lib/api/home-page';
	import { dragHandle } from 'svelte-dnd-action';
	import LandingArc from '../LandingArc.svelte';
	import PlaceMarks from './PlaceMarks.svelte';
	import { ago, ahead } from '$lib/words/when';
	import { keyWords, plural } from '$lib/words/words';

	type Props = {
		tune: NotebookRow;
		practice: TunePractice | undefined;
		/** The columns that are shown. */
		columns: ReadonlySet<string>;
		now: number;
		number: number;
		/** Where a search found it. */
		where: string;
		/** Its number is the handle by which it is dragged. */
		movable: boolean;
		onremove: () => void;
	};
	let { tune, practice, columns, now, number, where, movable, onremove }: Props = $props();
	const practised = $derived(new Map(practice?.places.map((one) => [one.position, one.landed])));
	const planned = $derived(new Set(tune.routes.map((route) => route.position)));
	const share = $derived(practice?.landed ?? null);
	const percent = (landed: number) => Math.round(100 * landed);
	const clean = $derived(practice?.cleanTempo ?? null);
</script>

<tr class="relative focus-within:*:bg-lit hover:*:bg-lit" data-tune={tune.id}>
	<td class="w-10 pr-1.5! font-display text-verdict font-semibold text-third">
		{#if movable}
			<button
				type="button"
				data-part="grip"
				class="touch-none text-inherit [font:inherit] hover:text-ink"
				use:dragHandle
				aria-label="Move {tune.title}, now number {number}: drag, or hold Alt with up and down"
			>
				<!-- What is dragged must not be the button itself, which the drag takes for a field. -->
				<span class="flex min-h-8 items-center gap-1.5">
					<svg viewBox="0 0 6 16" width="6" height="16" aria-hidden="true"
						><path
							class="stroke-current stroke-2 cap-round"
							d="M1 3v.01M5 3v.01M1 8v.01M5 8v.01M1 13v.01M5 13v.01"
						/></svg
					>{number}
				</span>
			</button>
		{:else}
			{number}
		{/if}
	</td>
	<td
		data-title
		class="py-1 font-display text-verdict leading-tight font-extrabold wrap-anywhere whitespace-normal! max-tablet:py-1.5 max-tablet:text-head tablet:min-w-47.5"
	>
		<a
			data-part="open"
			class="inline-block py-1 max-tablet:block max-tablet:p-0"
			href="/tunes/{tune.id}/chart">{tune.title}</a
		>
		{#if where}<span
				class="block max-w-[34ch] overflow-hidden pb-1 font-sans text-reason leading-tight font-normal text-ellipsis text-second"
				>{where}</span
			>{/if}
		<span
			class="hidden max-tablet:block max-tablet:font-sans max-tablet:text-reason max-tablet:font-normal max-tablet:text-second"
			>{keyWords(tune.key)} · {tune.tempo}</span
		>
	</td>
	<td data-from="tablet" class="font-bold">{keyWords(tune.key)}</td>
	<td data-from="desk">{plural(tune.bars, 'bar')}, {tune.feel}</td>
	{#if columns.has('clean')}<td data-from="desk" class="font-display text-head font-extrabold">
			{#if clean === null}
				<span class="font-sans text-line font-normal text-second">aim {tune.tempo}</span>
			{:else}
				{clean}
				<span class="font-sans text-line font-normal text-second"
					>{clean >= tune.tempo ? 'reached' : `of ${tune.tempo}`}</span
				>
			{/if}
		</td>{/if}
	<td>
		<a
			class="flex items-center gap-2.5 whitespace-nowrap max-tablet:justify-end max-tablet:gap-1.5"
			href="/tunes/{tune.id}/drill"
			tabindex="-1"
			aria-label="Drill {tune.title}: {share === null
				? 'not played yet'
				: `${percent(share)} % of changes land`}"
		>
			<LandingArc share={share ?? 0} class="max-tablet:w-14" />
			{#if share === null}
				<span class="text-third">not yet</span>
			{:else}
				<span
					><strong class="font-display text-head font-extrabold">{percent(share)}</strong> %</span
				>
			{/if}
		</a>
	</td>
	{#if columns.has('places')}<td data-from="desk"><PlaceMarks {practised} {planned} /></td>{/if}
	{#if columns.has('last')}<td data-from="desk"
			>{practice?.lastPlayed ? ago(practice.lastPlayed, now) : ''}</td
		>{/if}
	<td data-from="desk">
		{#if practice?.due}
			{@const due = ahead(practice.due, now)}
			<span class="data-due:font-bold" data-due={due === 'today' || undefined}>{due}</span>
		{/if}
	</td>
	<td class="w-7 pr-0!">
		<button
			class="grid size-7 place-items-center text-third hover:text-ink"
			type="button"
			onclick={onremove}
			aria-label="Delete {tune.title}"
			data-tip="Delete"
		>
			<svg viewBox="0 0 16 16" width="16" height="16" aria-hidden="true"
				><path class="stroke-current stroke-2" d="M3 3L13 13M13 3L3 13" /></svg
			>
		</button>
	</td>
</tr>
