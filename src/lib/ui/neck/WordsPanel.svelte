<script lang="ts">
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { NeckView } from './neck-view.svelte';
	import { tellPlace } from './place-words';

	/** The place in words, for ears and for those who would rather read. */
	let { view }: { view: NeckView } = $props();
	const open = useTune();
	const told = $derived(
		tellPlace({
			...{ instrument: open.instrument, position: open.position },
			...{ now: open.now, next: open.next, scale: view.scale }
		})
	);
</script>

<dl>
	{#each told as { head, text, tense } (head)}
		<dt class={tense ?? ''}>{head}</dt>
		<dd>{text}</dd>
	{/each}
</dl>

<style>
	dl {
		display: grid;
		grid-template-columns: 140px minmax(0, 1fr);
		gap: 2px 12px;
		padding-top: 8px;
		font-size: 14px;
	}
	dt {
		font-weight: 700;
	}
	.now {
		color: var(--now-ink);
	}
	.next {
		color: var(--next-ink);
	}
	dd {
		padding-bottom: 5px;
		border-bottom: 1px solid var(--hair);
	}
	@media (max-width: 640px) {
		dl {
			grid-template-columns: 1fr;
		}
	}
</style>
