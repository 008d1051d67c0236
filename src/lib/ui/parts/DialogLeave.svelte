<script lang="ts">
	import { Dialog } from 'bits-ui';
	import type { Snippet } from 'svelte';
	import { button } from './button';

	/** The quiet way out of a dialog. */
	let { children }: { children: Snippet } = $props();
</script>

<Dialog.Close class={button({ look: 'quiet' })}>{@render children()}</Dialog.Close>
