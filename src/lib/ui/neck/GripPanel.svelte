<script lang="ts">
	import { signs } from '$core/chord';
	import CardStrip from './CardStrip.svelte';
	import type { NeckView } from './neck-view.svelte';
	import { gripCaption, gripDetails, gripHead, gripSpoken } from './grip-words';

	/** Cards of the grips of both chords in this place, and of the cells hidden over the first; left and right step through them. */
	let { view, leftHanded }: { view: NeckView; leftHanded: boolean } = $props();
	const cards = $derived(
		view.grips.map(({ key, tense, chord, item }) => ({
			...{ key, tense, chord, title: item.cell ? signs(item.cell) : undefined },
			...{ head: gripHead(item), caption: gripCaption(item) },
			spoken: gripSpoken(item.grip, item.cell ?? chord.symbol),
			drawing: { notes: item.grip.notes, rolls: [], joined: false, muted: item.grip.muted }
		}))
	);
	const chosen = $derived(view.grips.find((entry) => entry.key === view.choice)?.item.grip);
</script>

<CardStrip
	{cards}
	name="Grips"
	value={view.choice}
	empty="No hand holds these chords in this place."
	{leftHanded}
	detail={chosen
		? `${gripDetails(chosen).join(' · ')}.`
		: 'Fingers stand beside the notes, frets below, × is a string that stays silent. The chosen grip stands out on the neck.'}
	stretches={chosen !== undefined && chosen.comfort !== 'easy'}
	onpick={(key) => view.pick(key)}
/>
