<script lang="ts">
	import type { Style } from '$core/route';
	import { STYLE_NAMES } from '$lib/state/route-plan.svelte';
	import { RadioGroup } from 'bits-ui';

	let { style, onchange }: { style: Style; onchange: (style: Style) => void } = $props();
	const styles = Object.entries(STYLE_NAMES) as [Style, (typeof STYLE_NAMES)[Style]][];
</script>

<RadioGroup.Root value={style} onValueChange={(value) => onchange(value as Style)} aria-label="Land on" class="styles">
	{#each styles as [id, { name, says }] (id)}
		<RadioGroup.Item value={id} class="style" id="style-{id}">
			{#snippet children({ checked })}
				<span class="dot" class:checked></span>
				<span class="name" class:checked>{name}</span>
				<small>{says}</small>
			{/snippet}
		</RadioGroup.Item>
	{/each}
</RadioGroup.Root>

<style>
	:global(.style) {
		display: grid;
		grid-template-columns: 22px 1fr;
		align-items: center;
		width: 100%;
		padding: 5px 0;
		text-align: left;
	}
	:global(.style:hover) {
		background: var(--lit);
	}
	.dot {
		width: 12px;
		height: 12px;
		border: 1.5px solid var(--ink);
		border-radius: 50%;
	}
	.dot.checked {
		background: var(--ink);
	}
	.name.checked {
		font-weight: 700;
	}
	small {
		grid-column: 2;
		font-size: 13px;
		color: var(--second);
	}
</style>
