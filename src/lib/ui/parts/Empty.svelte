<script lang="ts">
	import type { Snippet } from 'svelte';

	/** Where nothing is yet: what would stand here and how it comes. */
	let { children }: { children: Snippet } = $props();
</script>

<p class="py-2 text-reason text-second">{@render children()}</p>
