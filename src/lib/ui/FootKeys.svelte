<script lang="ts">
	import KeyCap from './KeyCap.svelte';

	/** The keys of a screen at its foot: pairs of keys and what they do. */
	let { keys }: { keys: readonly (readonly [string, string])[] } = $props();
</script>

<p
	class="mt-auto flex flex-wrap gap-x-5.5 gap-y-1.5 px-0 pt-3.5 pb-2 text-reason text-second max-tablet:hidden"
>
	{#each keys as [key, does] (key)}
		<span class="inline-flex items-center gap-2"
			><span class="text-ink"><KeyCap keys={key} /></span> {does}</span
		>
	{/each}
</p>
