<script lang="ts">
	import type { Snippet } from 'svelte';

	/** One column of sections under the bar. With `inspector` it shares the room with a panel at the
	 * right, which drops under it on a tablet. `grid` elements that run to the inspector's edge say so
	 * with `-mr-4`. */
	type Props = {
		class?: string;
		children: Snippet;
		inspector?: Snippet;
		/** What the inspector is about, read out. */
		about?: string;
		/** What is said above everything else. */
		first?: Snippet;
	};
	let { class: extra = '', children, inspector, about, first }: Props = $props();
</script>

{#if inspector}
	<div
		class="grid flex-1 grid-cols-[minmax(0,1fr)_352px] max-desk:grid-cols-1 max-desk:content-start print:block"
	>
		<main
			id="main"
			class="flex min-w-0 flex-col pt-2.5 pr-4 pl-6 max-desk:pl-4 print:block print:p-0 {extra}"
		>
			{@render first?.()}
			{@render children()}
		</main>
		<aside
			class="sticky top-14 flex max-h-[calc(100dvh_-_56px)] flex-col gap-4.5 overflow-y-auto border-l border-hair px-6 pt-3.5 pb-4 max-desk:static max-desk:grid max-desk:max-h-none max-desk:grid-cols-2 max-desk:gap-6 max-desk:overflow-visible max-desk:border-l-0 max-desk:p-4 max-tablet:grid-cols-1 print:hidden"
			aria-label={about}
		>
			{@render inspector()}
		</aside>
	</div>
{:else}
	<main
		id="main"
		class="flex min-w-0 flex-1 flex-col px-6 pt-2.5 max-desk:px-4 print:block print:p-0 {extra}"
	>
		{@render first?.()}
		{@render children()}
	</main>
{/if}
