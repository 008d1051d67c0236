<script lang="ts">
	import { roleWords } from '$core/chord';
	import { lift, placeText } from './figures';
	import type { NeckView } from './neck-view.svelte';
	import StepList from './StepList.svelte';

	/** Bends that land on a tone of either chord, in this place. */
	let { view }: { view: NeckView } = $props();
	const lifts = $derived(
		view.bends.map(({ key, tense, chord, item }) => ({
			...{ key, tense, chord },
			parts: [
				item.semitones < 1
					? '¼ curl'
					: `${lift(item.semitones)} ${item.semitones > 2 ? 'tones' : 'tone'}`,
				placeText(item),
				`${item.semitones < 1 ? 'toward' : 'to'} the ${roleWords(item.toRole)}${item.unison ? `, with string ${item.unison.string}` : ''}`
			]
		}))
	);
	const bend = $derived(view.bends.find((entry) => entry.key === view.choice));
</script>

<StepList
	rows={lifts}
	name="Bends"
	value={view.choice}
	empty="No bend lands on a tone of these chords here."
	onpick={(key) => view.pick(key)}
/>
<p data-part="detail" class="pt-1 text-reason text-second">
	{#if bend && bend.item.semitones === 3}One and a half tones pull hard: warm up first, let go when
		it hurts.{:else}Bend from a note until it sounds the chord tone.{/if}
</p>
