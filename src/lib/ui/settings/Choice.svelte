<script lang="ts">
	import { RadioGroup } from 'bits-ui';

	/** One of several settings, with a few words on what it means. */
	let { value, name, says }: { value: string; name: string; says: string } = $props();
</script>

<RadioGroup.Item {value} class="option" aria-label="{name}, {says}">
	{#snippet children({ checked })}
		<span class="dot" class:checked></span><b>{name}</b><small>{says}</small>
	{/snippet}
</RadioGroup.Item>

<style>
	:global(.option) {
		display: grid;
		grid-template-columns: 56px 190px 1fr;
		align-items: center;
		width: 100%;
		min-height: 46px;
		text-align: left;
		border-bottom: 1px solid var(--hair);
	}
	:global(.option:hover) {
		background: var(--lit);
	}
	:global(.option small) {
		color: var(--second);
		font-size: 15px;
	}
	.dot {
		width: 14px;
		height: 14px;
		border: 1.5px solid var(--ink);
		border-radius: 50%;
	}
	.dot.checked {
		background: var(--ink);
		box-shadow: inset 0 0 0 2.5px var(--paper);
	}
	@media (max-width: 640px) {
		:global(.option) {
			grid-template-columns: 52px 1fr;
			padding: 8px 0;
		}
		:global(.option small) {
			grid-column: 2;
		}
	}
</style>
