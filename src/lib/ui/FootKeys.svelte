<script lang="ts">
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import type { Row } from '$lib/words/keys/key-map';

	/** Keys of a screen at its foot, with other words where the map's own say it from elsewhere. */
	type Props = {
		keys: readonly (Row | readonly [Row, string])[];
		/** Beside other things of the foot, which has the room around it. */
		flat?: boolean;
	};
	let { keys, flat = false }: Props = $props();
	const shown = $derived(
		keys.map((entry) => {
			const [row, words] = 'does' in entry ? [entry, entry.foot ?? entry.does] : entry;
			return { row, words };
		})
	);
</script>

<p
	class="flex flex-wrap text-reason text-second max-tablet:hidden print:hidden {flat
		? 'gap-x-4 gap-y-2.5'
		: 'z-10 mt-auto gap-x-5.5 gap-y-2.5 bg-paper pt-3 pb-2 desk:sticky desk:bottom-0'}"
>
	{#each shown as { row, words } (words)}
		<span class="inline-flex items-center gap-2"
			><span class="text-ink"><KeyCap of={row} /></span> {words}</span
		>
	{/each}
</p>
