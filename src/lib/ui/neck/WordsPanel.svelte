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

<dl
	class="grid grid-cols-[140px_minmax(0,1fr)] gap-x-3 gap-y-0.5 pt-2 text-line max-tablet:grid-cols-[1fr]"
>
	{#each told as { head, text, tense } (head)}
		<dt class="font-bold now:text-now-ink next:text-next-ink" data-tense={tense ?? ''}>{head}</dt>
		<dd class="border-b border-hair pb-1">{text}</dd>
	{/each}
</dl>
