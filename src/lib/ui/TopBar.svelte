<script lang="ts">
	import type { Snippet } from 'svelte';

	type Props = {
		title: string;
		/** What stands beside the title: pairs of a small name and a value; `long` ones need more room than most. */
		facts?: readonly { name: string; value: string; long?: boolean }[];
		/** In place of the facts: what is heard. */
		instead?: Snippet;
		actions?: Snippet;
		/** At the end of the bar. */
		end?: Snippet;
	};
	let { title, facts = [], instead, actions, end }: Props = $props();
	const size = $derived(
		title.length > 44
			? 'text-line max-tablet:text-reason'
			: title.length > 22
				? 'text-head max-tablet:text-line'
				: 'text-verdict max-tablet:text-head'
	);
	const ROOM = [
		'@max-[10rem]:hidden',
		'@max-[18rem]:hidden',
		'@max-[26rem]:hidden',
		'@max-[34rem]:hidden'
	];
</script>

<header
	class="sticky top-0 z-15 flex min-h-14 items-center gap-x-6 border-b-2 border-ink bg-paper px-6 max-desk:gap-x-4 max-desk:px-4 max-tablet:flex-wrap max-tablet:py-1.5 print:hidden"
>
	<p
		data-part="title"
		class="max-w-96 min-w-32 font-display leading-tight font-extrabold wrap-anywhere max-tablet:max-w-full {size}"
	>
		{title}
	</p>
	<!-- What has no room here is left out, the last first. -->
	<div class="@container min-w-0 flex-1 {instead ? 'max-tablet:basis-40' : 'max-tablet:hidden'}">
		{#if instead}
			{@render instead()}
		{:else}
			<dl class="flex">
				{#each facts as fact, i (fact.name)}
					<div
						class="border-l border-hair pr-5 pl-4 whitespace-nowrap {fact.long
							? '@max-[30rem]:hidden'
							: (ROOM[i] ?? '')}"
					>
						<dt class="text-count leading-snug text-second">{fact.name}</dt>
						<dd class="leading-tight font-bold">{fact.value}</dd>
					</div>
				{/each}
			</dl>
		{/if}
	</div>
	<div
		class="ml-auto flex shrink-0 items-center gap-3.5 max-desk:shrink max-desk:flex-wrap max-desk:justify-end max-desk:gap-y-1 max-tablet:max-w-full max-tablet:gap-2"
	>
		{@render actions?.()}
		{@render end?.()}
	</div>
</header>
