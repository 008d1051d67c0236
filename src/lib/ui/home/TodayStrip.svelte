<script lang="ts">
	import { shortcutOf } from '$lib/words/keys/key-map';
	import { NOTEBOOK } from '$lib/words/keys/notebook';
	import type { TodayItem } from '$core/practice';
	import type { PractisedCard } from '$lib/api/home-page';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import LandingArc from '../LandingArc.svelte';
	import { drillHref, drillWords } from './today-words';

	/** What is due, a strip to scale in minutes; one key starts the first. */
	type Props = {
		list: readonly TodayItem<PractisedCard>[];
		/** Takes a drill out of the schedule. */
		onrest: (card: PractisedCard) => void;
	};
	let { list, onrest }: Props = $props();
	const minutes = $derived(list.reduce((sum, item) => sum + item.minutes, 0));
</script>

<div
	data-part="today"
	class="grid grid-cols-[184px_minmax(0,1fr)] gap-6 max-lap:grid-cols-[minmax(0,1fr)] max-lap:gap-0"
>
	<div class="flex flex-col justify-between">
		<p class="text-line text-second max-lap:hidden">
			<strong class="mr-2 font-display text-stand leading-none font-extrabold text-ink"
				>{minutes}</strong
			> minutes
		</p>
		<a
			class="flex h-15 items-center gap-2.5 bg-ink px-3 font-display text-verdict font-extrabold text-paper hover:bg-second"
			href={drillHref(list[0])}
			aria-keyshortcuts={shortcutOf(NOTEBOOK.start)}
		>
			<svg class="shrink-0" viewBox="0 0 20 20" width="26" height="26" aria-hidden="true"
				><path class="fill-current" d="M4 1L18 10L4 19Z" /></svg
			>
			<span>Start</span>
			<span class="ml-auto max-lap:hidden"><KeyCap of={NOTEBOOK.start} /></span>
			<span class="hidden max-lap:ml-auto max-lap:block max-lap:font-sans max-lap:text-line"
				>{minutes} minutes</span
			>
		</a>
	</div>
	<ol
		data-part="strip"
		class="flex min-w-0 border-t-2 border-ink max-lap:flex-col max-lap:border-0"
	>
		{#each list as item, i (item.card.id)}
			<li
				class="relative min-w-32 flex-1 border-l-[1.5px] border-ink last:border-r-[1.5px] last:border-r-ink max-lap:border-x-0 max-lap:border-t-0 max-lap:border-b max-lap:border-b-hair max-lap:last:border-x-0 max-lap:last:border-t-0 max-lap:last:border-b max-lap:last:border-b-hair now:bg-now-tint now:shadow-[inset_0_6px_0_var(--now)] max-lap:now:shadow-[inset_6px_0_0_var(--now)] next:bg-next-tint next:shadow-[inset_0_6px_0_var(--next)] max-lap:next:shadow-[inset_6px_0_0_var(--next)]"
				data-tense={i === 0 ? 'now' : i === 1 ? 'next' : undefined}
				style:flex-grow={item.minutes}
			>
				<a
					class="group/a grid h-full min-h-39.5 grid-rows-[auto_44px_1fr] gap-0.5 px-2.5 pt-2.5 pb-2 max-lap:min-h-0 max-lap:items-center max-lap:gap-3 max-lap:pr-8.5 max-lap:[grid-template:auto_/_84px_minmax(0,1fr)_auto]"
					href={drillHref(item, false)}
				>
					<span
						class="justify-self-end text-line font-semibold in-now:text-now-ink in-next:text-next-ink max-lap:order-3"
						>{item.minutes} min</span
					>
					<span class="overflow-hidden border-b border-strong max-lap:h-7 max-lap:border-0"
						><LandingArc share={item.card.landed ?? 0} wide /></span
					>
					<span class="flex min-w-0 flex-col">
						<b
							class="font-display text-head leading-tight font-extrabold wrap-anywhere group-hover/a:underline group-hover/a:underline-offset-4 in-now:text-now-ink in-next:text-next-ink"
							>{item.card.title}</b
						>
						<span class="pt-0.5 text-reason font-bold">{drillWords(item)}</span>
						<span class="text-reason text-second in-now:text-ink in-next:text-ink">{item.why}</span>
					</span>
				</a>
				<button
					type="button"
					class="absolute top-2 left-1 size-7 text-reason text-second hover:text-ink max-lap:top-1/2 max-lap:right-0 max-lap:left-auto max-lap:[transform:translateY(-50%)]"
					data-tip="Take it out of the schedule"
					aria-label="Take {item.card.title}, {drillWords(item)}, out of the schedule"
					onclick={() => onrest(item.card)}>✕</button
				>
			</li>
		{/each}
	</ol>
</div>
