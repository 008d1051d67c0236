<script lang="ts">
	import type { Scale } from '$core/harmony';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import { scaleTitle } from '$lib/words/words';

	/** The scale that the chart is played in, note by note. */
	let { scale }: { scale: Scale } = $props();
	const open = useTune();
</script>

<section>
	<div class="section-head"><h2>Scale in use</h2></div>
	<p class="pt-[8px] text-second">{scaleTitle(scale, open.player.scales)}</p>
	<p class="flex flex-wrap gap-x-[14px] gap-y-[2px] py-[4px] font-display text-head font-extrabold">
		{#each scale.notes as note (note.degree)}<span>{prefs.name(note.name)}</span>{/each}
	</p>
</section>
