<script lang="ts">
	import KeyCap from './KeyCap.svelte';

	/** The keys of a screen at its foot: pairs of keys and what they do. */
	let { keys }: { keys: readonly (readonly [string, string])[] } = $props();
</script>

<p class="foot">
	{#each keys as [key, does] (key)}
		<span><KeyCap keys={key} /> {does}</span>
	{/each}
</p>

<style>
	.foot {
		margin-top: auto;
		padding: 14px 0 8px;
		display: flex;
		flex-wrap: wrap;
		gap: 6px 22px;
		font-size: 13px;
		color: var(--second);
	}
	span {
		display: inline-flex;
		align-items: center;
		gap: 7px;
	}
	.foot :global(kbd) {
		color: var(--ink);
	}
	@media (max-width: 640px) {
		.foot {
			display: none;
		}
	}
</style>
