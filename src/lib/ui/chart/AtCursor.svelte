<script lang="ts">
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
		<div class="section-head pair">
			<h2>At the cursor</h2>
			<small>bar {draft.now.bar} to bar {draft.next.bar}</small>
			<span class="symbols">
				<span class="now"><ChordSymbol chord={draft.now.chord} /></span>
				<svg viewBox="0 0 60 24" width="60" height="24" aria-hidden="true"
					><path d="M4,21Q30,-13 56,21" /></svg
				>
				<span class="next"><ChordSymbol chord={draft.next.chord} /></span>
			</span>
		</div>
		<div class="ladder">
			<ToneLadder now={draft.now.chord} next={draft.next.chord} wide />
		</div>
	</section>
{:else if draft.now}
	<section>
		<div class="section-head"><h2>At the cursor</h2></div>
		<ChordSpelling event={draft.now} {key} />
	</section>
{:else if draft.here}
	<section>
		<div class="section-head">
			<h2>At the cursor</h2>
			<small>bar {draft.here.bar}, beat {draft.here.beat}</small>
		</div>
		<p class="odd">{draft.here.symbol}</p>
		<p>
			{draft.here.kind === 'silence'
				? 'Silence: no chord sounds, the next one is a change.'
				: 'Not read, so it sounds as silence. The rest of the chart is as it was.'}
		</p>
	</section>
{/if}

<style>
	.pair {
		align-items: center;
	}
	.symbols {
		margin-left: auto;
		display: flex;
		align-items: center;
		gap: 10px;
		font-size: 27px;
	}
	.symbols .now {
		color: var(--now-ink);
	}
	.symbols .next {
		color: var(--next-ink);
	}
	.symbols path {
		fill: none;
		stroke: var(--now-line);
		stroke-width: 3;
	}
	.ladder {
		display: grid;
		justify-items: center;
		padding-top: 8px;
	}
	.odd {
		font-family: var(--font-mono);
		font-weight: 700;
		font-size: 31px;
		padding: 8px 0;
		overflow-wrap: anywhere;
	}
</style>
