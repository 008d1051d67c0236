<script lang="ts">
	import ToneLadder from '../ToneLadder.svelte';
	import type { NeckView } from './neck-view.svelte';
	import { changeSummary, changeWords } from './place-words';

	/** What happens to the tones from the sounding chord to the coming one: drawn, and listed. */
	let { view }: { view: NeckView } = $props();
	const open = $derived(view.open);
	const lines = $derived(open.now && open.next ? changeWords(open.now, open.next) : []);
</script>

{#if open.now && open.next}
	<div
		class="grid grid-cols-[minmax(0,304px)_minmax(0,1fr)] gap-x-6 gap-y-2 pt-2 max-tablet:grid-cols-[minmax(0,1fr)]"
	>
		<div><ToneLadder now={open.now} next={open.next} /></div>
		<div>
			<p class="pb-1 font-bold">{changeSummary(open.now, open.next)}</p>
			<ul>
				{#each lines as line (line)}<li class="py-1 text-line">{line}</li>{/each}
			</ul>
		</div>
	</div>
{:else}
	<p class="py-3 text-second">This chart holds one chord: nothing changes.</p>
{/if}
