<script lang="ts">
	import { signs } from '$core/chord';
	import { noteName } from '$core/pitch';
	import { prefs } from '$lib/state/prefs.svelte';
	import ChordSymbol from '../ChordSymbol.svelte';
	import type { NeckView } from './neck-view.svelte';
	import { hiddenWords } from './scale-rows';
	import { scaleTitle } from '$lib/words/words';
	import StepList from './StepList.svelte';

	/** Arpeggios and cells hidden in the scale in use, and the chosen one re-read over every chord. */
	let { view }: { view: NeckView } = $props();
	const rows = $derived(
		view.hidden.map(({ key, tense, chord, item }) => ({
			...{ key, tense, chord },
			parts: [
				signs(item.name),
				item.notes.map((note) => prefs.name(noteName(note))).join(' '),
				item.roles.map((role) => signs(role)).join(' ')
			],
			verdict: hiddenWords(item)
		}))
	);
	const chosen = $derived(view.hidden.find((entry) => entry.key === view.choice));
</script>

<div class="grid grid-cols-[repeat(auto-fit,minmax(min(100%,300px),1fr))] gap-x-4 gap-y-2">
	<StepList
		{rows}
		name="Hidden arpeggios"
		value={view.choice}
		empty="Nothing is hidden in this scale over this chord."
		onpick={(key) => view.pick(key)}
	/>
	<div data-part="reread">
		{#if chosen}
			<p class="py-1.5 text-reason text-second">
				<b class="text-ink">{signs(chosen.item.name)}</b> over every chord
			</p>
			<ul class="[columns:190px_2] border-t border-hair pt-1">
				{#each view.reread as { chord, roles, verdicts } (chord.symbol)}
					<li class="flex min-h-6 [break-inside:avoid] items-baseline gap-2 text-line">
						<span class="min-w-15.5 text-line"><ChordSymbol {chord} /></span>
						<span class="flex gap-2"
							>{#each roles as role, i (i)}<span
									class="data-[verdict=clash]:underline data-[verdict=clash]:decoration-dotted data-[verdict=clash]:decoration-2 data-[verdict=clash]:underline-offset-4 data-[verdict=home]:font-bold data-[verdict=passing]:text-third"
									data-verdict={verdicts[i]}>{signs(role)}</span
								>{/each}</span
						>
					</li>
				{/each}
			</ul>
		{:else}
			<p class="py-1.5 text-reason text-second">
				{#if view.hiddenIn}In {scaleTitle(view.hiddenIn, view.open.player.scales)}.{/if} Choose one: it
				stands out on the neck, and is read over every chord here.
			</p>
		{/if}
	</div>
</div>
