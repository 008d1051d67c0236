<script lang="ts">
	import type { Snippet } from 'svelte';

	/** A line of a list under a hairline: what it is at the left, what it says or does at the right. */
	type Props = { children: Snippet; end?: Snippet; class?: string };
	let { children, end, class: extra = '' }: Props = $props();
</script>

<li class="flex items-baseline gap-3 border-b border-hair py-1.5 {extra}">
	<span class="min-w-0 flex-1">{@render children()}</span>
	{@render end?.()}
</li>
