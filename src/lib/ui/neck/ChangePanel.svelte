<script lang="ts">
	import { useTune } from '$lib/state/open-tune.svelte';
	import ToneLadder from '../ToneLadder.svelte';
	import { changeSummary, changeWords } from './place-words';

	/** What happens to the tones from the sounding chord to the coming one: drawn, and listed. */
	const open = useTune();
	const lines = $derived(open.now && open.next ? changeWords(open.now, open.next) : []);
</script>

{#if open.now && open.next}
	<div class="changes">
		<div class="ladder"><ToneLadder now={open.now} next={open.next} /></div>
		<div>
			<p class="sum">{changeSummary(open.now, open.next)}</p>
			<ul>
				{#each lines as line (line)}<li>{line}</li>{/each}
			</ul>
		</div>
	</div>
{:else}
	<p class="empty">This chart holds one chord: nothing changes.</p>
{/if}

<style>
	.changes {
		display: grid;
		grid-template-columns: minmax(0, 304px) minmax(0, 1fr);
		gap: 8px 24px;
		padding-top: 8px;
	}
	.sum {
		font-weight: 700;
		padding-bottom: 4px;
	}
	li {
		padding: 3px 0;
		font-size: 14px;
	}
	.empty {
		padding: 12px 0;
		color: var(--second);
	}
	@media (max-width: 640px) {
		.changes {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
