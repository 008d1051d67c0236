<script lang="ts">
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import type { Scale } from '$core/harmony';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import { scaleTitle } from '$lib/words/words';

	/** The scale that the chart is played in, note by note. */
	let { scale }: { scale: Scale } = $props();
	const open = useTune();
</script>

<section>
	<PanelHead title="Scale in use" />
	<p class="pt-2 text-second">{scaleTitle(scale, open.player.scales)}</p>
	<p class="flex flex-wrap gap-x-3.5 gap-y-0.5 py-1 font-display text-head font-extrabold">
		{#each scale.notes as note (note.degree)}<span>{prefs.name(note.name)}</span>{/each}
	</p>
</section>
