<script lang="ts">
	import { RadioGroup } from 'bits-ui';
	import { OPTION, OPTION_SAYS } from './option';

	/** One of several settings, with a few words on what it means. */
	let { value, name, says }: { value: string; name: string; says: string } = $props();
</script>

<RadioGroup.Item {value} class={OPTION} aria-label="{name}, {says}">
	{#snippet children({ checked })}
		<span
			class="size-3.5 rounded-full border-[1.5px] border-ink data-checked:bg-ink data-checked:shadow-[inset_0_0_0_2.5px_var(--paper)]"
			data-checked={checked || undefined}
		></span><b>{name}</b><small class={OPTION_SAYS}>{says}</small>
	{/snippet}
</RadioGroup.Item>
