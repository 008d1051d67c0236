<script lang="ts">
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import type { Key } from '$core/chord';
	import type { ChartDraft } from '$lib/state/chart-draft.svelte';
	import ChordSymbol from '../ChordSymbol.svelte';
	import ToneLadder from '../ToneLadder.svelte';
	import ChordSpelling from './ChordSpelling.svelte';

	/** What stands at the cursor: the chord with its way into the next, or why there is none. */
	let { draft, key }: { draft: ChartDraft; key: Key | null } = $props();
</script>

{#if draft.now && draft.next}
	<section>
		<PanelHead
			title="At the cursor"
			note="bar {draft.now.bar} to bar {draft.next.bar}"
			class="items-center"
		>
			<span class="ml-auto flex items-center gap-2.5 text-verdict">
				<span class="text-now-ink"><ChordSymbol chord={draft.now.chord} /></span>
				<svg viewBox="0 0 60 24" width="60" height="24" aria-hidden="true"
					><path class="fill-none stroke-now-line stroke-3" d="M4,21Q30,-13 56,21" /></svg
				>
				<span class="text-next-ink"><ChordSymbol chord={draft.next.chord} /></span>
			</span>
		</PanelHead>
		<div class="grid justify-items-center pt-2">
			<ToneLadder now={draft.now.chord} next={draft.next.chord} wide />
		</div>
	</section>
{:else if draft.now}
	<section>
		<PanelHead title="At the cursor" />
		<ChordSpelling event={draft.now} {key} />
	</section>
{:else if draft.here}
	<section>
		<PanelHead title="At the cursor" note="bar {draft.here.bar}, beat {draft.here.beat}" />
		<p class="py-2 font-mono text-ribbon font-bold wrap-anywhere">{draft.here.symbol}</p>
		<p>
			{draft.here.kind === 'silence'
				? 'Silence: no chord sounds, the next one is a change.'
				: 'Not read, so it sounds as silence. The rest of the chart is as it was.'}
		</p>
	</section>
{/if}
