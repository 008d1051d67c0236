<script lang="ts">
	import type { Snippet } from 'svelte';

	/** A section opens with a heavy rule: its name, a few words beside it, and what acts on all of it. */
	type Props = {
		title: string;
		note?: string;
		/** The note is read out when it changes. */
		live?: boolean;
		id?: string;
		level?: 2 | 3;
		class?: string;
		children?: Snippet;
	};
	let {
		title,
		note = '',
		live = false,
		id,
		level = 2,
		class: extra = '',
		children
	}: Props = $props();
</script>

<div class="flex flex-wrap items-baseline gap-x-2.5 gap-y-0 border-b-2 border-ink pb-1.5 {extra}">
	<svelte:element this={`h${level}`} {id} class="text-head">{title}</svelte:element>
	{#if note !== ''}<small class="text-reason text-second" aria-live={live ? 'polite' : undefined}
			>{note}</small
		>{/if}
	{@render children?.()}
</div>
