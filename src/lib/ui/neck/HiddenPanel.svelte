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

<div class="hidden-panel">
	<StepList
		{rows}
		name="Hidden arpeggios"
		value={view.choice}
		empty="Nothing is hidden in this scale over this chord."
		onpick={(key) => view.pick(key)}
	/>
	<div class="reread">
		{#if chosen}
			<p class="over"><b>{signs(chosen.item.name)}</b> over every chord</p>
			<ul>
				{#each view.reread as { chord, roles, verdicts } (chord.symbol)}
					<li>
						<span class="symbol"><ChordSymbol {chord} /></span>
						<span class="roles"
							>{#each roles as role, i (i)}<span class={verdicts[i]}>{signs(role)}</span
								>{/each}</span
						>
					</li>
				{/each}
			</ul>
		{:else}
			<p class="over">
				{#if view.hiddenIn}In {scaleTitle(view.hiddenIn, view.open.player.scales)}.{/if} Choose one: it
				stands out on the neck, and is read over every chord here.
			</p>
		{/if}
	</div>
</div>

<style>
	.hidden-panel {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(100%, 300px), 1fr));
		gap: 8px 16px;
	}
	.over {
		font-size: 13px;
		color: var(--second);
		padding: 6px 0;
	}
	b {
		color: var(--ink);
	}
	ul {
		columns: 190px 2;
		border-top: 1px solid var(--hair);
		padding-top: 4px;
	}
	li {
		display: flex;
		align-items: baseline;
		gap: 8px;
		font-size: 14px;
		break-inside: avoid;
		min-height: 24px;
	}
	.symbol {
		min-width: 62px;
		font-size: 16px;
	}
	.roles {
		display: flex;
		gap: 7px;
	}
	.home {
		font-weight: 700;
	}
	.passing {
		color: var(--third);
	}
	.clash {
		text-decoration: underline dotted 2px;
		text-underline-offset: 3px;
	}
</style>
