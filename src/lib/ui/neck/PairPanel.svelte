<script lang="ts">
	import type { DoubleStop } from '$core/neck';
	import { signs } from '$core/chord';
	import { prefs } from '$lib/state/prefs.svelte';
	import type { NeckView } from './neck-view.svelte';
	import StepList from './StepList.svelte';

	/** Two notes at once, for both chords, in this place. */
	let { view }: { view: NeckView } = $props();
	const stops = $derived(
		view.pairs.map(({ key, tense, chord, item }) => ({
			...{ key, tense, chord, verdict: stopWords(item) },
			parts: [
				item.interval,
				item.roles.map((role) => signs(role)).join(' '),
				`strings ${item.a.string} ${item.b.string}`,
				`frets ${item.a.fret} ${item.b.fret}`
			]
		}))
	);
	/** What a pair asks for, or how it sits on the chord. */
	function stopWords({ bend, shift, verdict }: DoubleStop): string {
		if (bend > 0) return bend === 1 ? 'bend both ½' : 'bend both 1';
		const moves = shift < 0 ? ', hand 1 fret back' : shift > 0 ? ', hand 1 fret on' : '';
		return verdict + moves;
	}
	const stop = $derived(view.pairs.find((entry) => entry.key === view.choice));
</script>

<StepList
	rows={stops}
	name="Double stops"
	value={view.choice}
	empty="No two notes of these chords can be held together here."
	onpick={(key) => view.pick(key)}
/>
<p data-part="detail" class="pt-1 text-reason text-second">
	{#if stop?.item.treatment}{prefs.prose(stop.item.treatment)}.{:else}Two notes at once; the chosen
		pair stands out on the neck.{/if}
</p>
