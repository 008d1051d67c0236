<script lang="ts">
	import type { Snippet } from 'svelte';

	type Props = {
		title: string;
		/** What stands beside the title: pairs of a small name and a value. */
		facts?: readonly { name: string; value: string }[];
		/** In place of the facts: what is heard. */
		instead?: Snippet;
		actions?: Snippet;
		/** At the end of the bar. */
		end?: Snippet;
	};
	let { title, facts = [], instead, actions, end }: Props = $props();
</script>

<header
	class="sticky top-0 z-15 flex h-14 items-center gap-6 border-b-2 border-ink bg-paper px-6 py-0 max-desk:gap-4 max-desk:px-4 max-desk:py-0 print:hidden"
>
	<p
		data-part="title"
		class="truncate font-display text-verdict leading-snug font-extrabold max-tablet:text-head"
	>
		{title}
	</p>
	{#if instead}
		{@render instead()}
	{:else}
		<dl class="flex min-w-0 max-tablet:hidden">
			{#each facts as fact (fact.name)}
				<div class="border-l border-hair pr-5 pl-4 whitespace-nowrap max-lap:nth-[n+2]:hidden">
					<dt class="text-count leading-snug text-second">{fact.name}</dt>
					<dd class="leading-tight font-bold">{fact.value}</dd>
				</div>
			{/each}
		</dl>
	{/if}
	<div class="ml-auto flex shrink-0 items-center gap-3.5 max-tablet:gap-2">
		{@render actions?.()}
		{@render end?.()}
	</div>
</header>
