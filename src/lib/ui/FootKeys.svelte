<script lang="ts">
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';

	/** The keys of a screen at its foot: pairs of keys and what they do. */
	type Props = {
		keys: readonly (readonly [string, string])[];
		/** Beside other things of the foot, which has the room around it. */
		flat?: boolean;
	};
	let { keys, flat = false }: Props = $props();
</script>

<p
	class="flex flex-wrap text-reason text-second max-tablet:hidden print:hidden {flat
		? 'gap-x-4 gap-y-1.5'
		: 'z-10 mt-auto gap-x-5.5 gap-y-1.5 bg-paper pt-3 pb-2 desk:sticky desk:bottom-0'}"
>
	{#each keys as [key, does] (key)}
		<span class="inline-flex items-center gap-2"
			><span class="text-ink"><KeyCap keys={key} /></span> {does}</span
		>
	{/each}
</p>
