<script lang="ts">
	import type { Snippet } from 'svelte';

	/** A row for each section of the chart: its name, and what is chosen there. */
	type Props = {
		sections: readonly string[];
		says?: string;
		row: Snippet<[section: string]>;
	};
	let { sections, says = '', row }: Props = $props();
</script>

<div class="grid gap-[4px] text-reason text-second">
	{#if says}<span>{says}</span>{/if}
	{#each sections as section (section)}
		<label class="flex items-center justify-between gap-[8px] whitespace-nowrap"
			>{section}
			{@render row(section)}</label
		>
	{/each}
</div>
