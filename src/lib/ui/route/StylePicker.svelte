<script lang="ts">
	import type { Style } from '$core/route';
	import { STYLE_NAMES } from '$lib/state/route-plan.svelte';
	import { RadioGroup } from 'bits-ui';

	let { style, onchange }: { style: Style; onchange: (style: Style) => void } = $props();
	const styles = Object.entries(STYLE_NAMES) as [Style, (typeof STYLE_NAMES)[Style]][];
</script>

<RadioGroup.Root
	value={style}
	onValueChange={(value) => onchange(value as Style)}
	aria-label="Style: what to land on"
	orientation="horizontal"
	class="styles"
>
	{#each styles as [id, { short, says }] (id)}
		<RadioGroup.Item value={id} class="style" aria-label="{short}: {says}">{short}</RadioGroup.Item>
	{/each}
</RadioGroup.Root>

<style>
	:global(.styles) {
		display: flex;
		border: 1.5px solid var(--ink);
	}
	:global(.style) {
		flex: 1;
		height: 34px;
		font-weight: 600;
		white-space: nowrap;
	}
	:global(.style + .style) {
		border-left: 1.5px solid var(--ink);
	}
	:global(.style:hover) {
		background: var(--lit);
	}
	:global(.style[data-state='checked']) {
		background: var(--ink);
		color: var(--paper);
		font-weight: 700;
	}
</style>
