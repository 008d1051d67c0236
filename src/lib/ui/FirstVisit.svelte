<script lang="ts">
	import { firstVisits } from '$lib/state/first-visits.svelte';
	import { FIRST_WORDS } from '$lib/words/first-words';
	import { onMount } from 'svelte';

	/** What to do on a screen: one quiet line, on its first visit alone. */
	let { screen }: { screen: keyof typeof FIRST_WORDS } = $props();
	let first = $state(false);
	onMount(() => {
		firstVisits.load();
		first = firstVisits.isFirst(screen);
	});
</script>

{#if first}
	<p data-part="first" class="mb-1.5 border-l-4 border-ink pl-3 text-line text-second print:hidden">
		{FIRST_WORDS[screen]}
	</p>
{/if}
