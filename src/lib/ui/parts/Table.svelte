<script lang="ts">
	import type { Snippet } from 'svelte';

	/** Figures in rows: the first column says of what, the others stand to the right. */
	let { children }: { children: Snippet } = $props();
</script>

<table
	class="w-full border-collapse text-reason [&_td]:border-b [&_td]:border-hair [&_td]:p-1 [&_td]:text-right [&_td:first-child]:text-left [&_th]:border-b [&_th]:border-hair [&_th]:p-1 [&_th]:text-right [&_th]:font-normal [&_th]:text-second [&_th:first-child]:text-left"
>
	{@render children()}
</table>
