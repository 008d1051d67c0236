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
	<p class="text-line text-second">
		<strong class="mr-1.5 text-ink">Bar {event.bar}</strong> beat {event.beat}
	</p>
	<p class="border-b border-hair pt-1.5 pb-2 text-chord leading-tight text-now-ink">
		<ChordSymbol chord={event.chord} />
	</p>
	<ul>
		{#each event.chord.tones as tone (tone.role)}
			<li class="grid min-h-10 grid-cols-[42px_40px_1fr_auto] items-center border-b border-hair">
				<svg width="36" height="34" viewBox="-18 -17 36 34" aria-hidden="true"
					><RoleMark now={tone.role} label={prefs.label(tone)} r={13} /></svg
				>
				<b class="font-display text-head font-extrabold">{prefs.name(tone.name)}</b>
				<span>{roleWords(tone.role)}</span>
				<small class="text-reason text-second"
					>{outside.includes(tone) ? 'outside home' : tone.essential ? '' : 'tension'}</small
				>
			</li>
		{/each}
	</ul>
</section>
