<script lang="ts">
	import type { ChordEvent } from '$core/chart';
	import { roleWords, type Chord, type Key } from '$core/chord';
	import { outsideTones } from '$core/harmony';
	import { prefs } from '$lib/state/prefs.svelte';
	import ChordSymbol from '../ChordSymbol.svelte';
	import RoleMark from '../RoleMark.svelte';

	/** A chord, large, with every tone, its role and whether it leaves home. */
	type Props = { event: ChordEvent & { readonly chord: Chord }; key: Key | null };
	let { event, key }: Props = $props();
	const outside = $derived(key ? outsideTones(event.chord, key) : []);
</script>

<section>
	<p class="where"><strong>Bar {event.bar}</strong> beat {event.beat}</p>
	<p class="symbol"><ChordSymbol chord={event.chord} /></p>
	<ul>
		{#each event.chord.tones as tone (tone.role)}
			<li>
				<svg width="36" height="34" viewBox="-18 -17 36 34" aria-hidden="true"
					><RoleMark now={tone.role} label={prefs.label(tone)} r={13} /></svg
				>
				<b>{prefs.name(tone.name)}</b>
				<span>{roleWords(tone.role)}</span>
				<small>{outside.includes(tone) ? 'outside home' : tone.essential ? '' : 'tension'}</small>
			</li>
		{/each}
	</ul>
</section>

<style>
	.where {
		font-size: 15px;
		color: var(--second);
	}
	.where strong {
		color: var(--ink);
		margin-right: 6px;
	}
	.symbol {
		font-size: 46px;
		line-height: 1.2;
		padding: 6px 0 8px;
		color: var(--now-ink);
		border-bottom: 1px solid var(--hair);
	}
	li {
		display: grid;
		grid-template-columns: 42px 40px 1fr auto;
		align-items: center;
		min-height: 40px;
		border-bottom: 1px solid var(--hair);
	}
	b {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 18px;
	}
	small {
		font-size: 13px;
		color: var(--second);
	}
</style>
