<script lang="ts">
	import { field } from '$lib/ui/parts/field';
	import type { Snippet } from 'svelte';

	/** A row for each section of the chart: its name, and what is chosen there. */
	type Props = {
		sections: readonly string[];
		says?: string;
		row: Snippet<[section: string]>;
	};
	let { sections, says = '', row }: Props = $props();

	const look = field();
</script>

<div class="grid gap-1 text-reason text-second">
	{#if says}<span>{says}</span>{/if}
	{#each sections as section (section)}
		<label class={look.label({ row: true })}
			>{section}
			{@render row(section)}</label
		>
	{/each}
</div>
