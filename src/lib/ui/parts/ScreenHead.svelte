<script lang="ts">
	import type { Snippet } from 'svelte';

	/** What a screen has to say first, in a sentence; and a few quieter words. */
	let { children, class: extra = '' }: { children: Snippet; class?: string } = $props();
</script>

<div
	data-part="verdict"
	class="flex flex-wrap items-baseline gap-x-3.5 pt-0.5 pb-2 text-second [&_h1]:text-verdict [&_h1]:text-ink {extra}"
>
	{@render children()}
</div>
