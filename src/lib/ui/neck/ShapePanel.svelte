<script lang="ts">
	import CardStrip from './CardStrip.svelte';
	import type { NeckView } from './neck-view.svelte';
	import { captionWords, detailWords, kindWords, spokenWords } from './shape-words';

	/** Cards of the arpeggio shapes of both chords in this place; left and right step through them. */
	let { view, leftHanded }: { view: NeckView; leftHanded: boolean } = $props();
	const cards = $derived(
		view.shapes.map(({ key, tense, chord, item }) => ({
			...{ key, tense, chord, head: kindWords(item), caption: captionWords(item) },
			spoken: spokenWords(item, chord.symbol),
			drawing: { notes: item.notes, rolls: item.rolls, joined: true }
		}))
	);
	const chosen = $derived(view.shapes.find((entry) => entry.key === view.choice));
	const join = $derived(chosen && chosen.item.kind !== 'joined' ? view.joinOf(chosen) : null);
	const details = $derived.by(() => {
		if (!chosen) {
			return 'Fingers stand beside the notes, frets below. The chosen shape stands out on the neck; choose it again to let it go.';
		}
		const on = join ? [`goes on to position ${join.position}: ${join.words}`] : [];
		return `${[...detailWords(chosen.item), ...on].join(' · ')}.`;
	});
</script>

<CardStrip
	{cards}
	name="Arpeggio shapes"
	value={view.choice}
	empty="No tone of these chords lies in this place."
	{leftHanded}
	detail={details}
	stretches={chosen !== undefined && chosen.item.comfort !== 'easy'}
	onpick={(key) => view.pick(key)}
/>
