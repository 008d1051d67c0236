<script lang="ts">
	let { keys }: { keys: string } = $props();
</script>

{#each keys.split(' ') as key (key)}<kbd>{key}</kbd>{/each}

<style>
	kbd {
		font-family: var(--font-mono);
		font-weight: 700;
		font-size: 12px;
		line-height: 1;
		border: 1px solid currentColor;
		border-radius: 3px;
		padding: 3px 6px;
	}
	kbd + kbd {
		margin-left: 6px;
	}
	@media (max-width: 640px) {
		kbd {
			display: none;
		}
	}
</style>
