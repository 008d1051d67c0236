<script lang="ts">
	import { RadioGroup } from 'bits-ui';

	/** One of several settings, with a few words on what it means. */
	let { value, name, says }: { value: string; name: string; says: string } = $props();
</script>

<RadioGroup.Item
	{value}
	class="grid min-h-11.5 w-full grid-cols-[56px_190px_1fr] items-center border-b border-b-hair text-left hover:bg-lit max-tablet:grid-cols-[52px_1fr] max-tablet:px-0 max-tablet:py-2"
	aria-label="{name}, {says}"
>
	{#snippet children({ checked })}
		<span
			class="size-3.5 rounded-full border-[1.5px] border-ink data-checked:bg-ink data-checked:shadow-[inset_0_0_0_2.5px_var(--paper)]"
			data-checked={checked || undefined}
		></span><b>{name}</b><small class="text-line text-second max-tablet:col-start-2">{says}</small>
	{/snippet}
</RadioGroup.Item>
