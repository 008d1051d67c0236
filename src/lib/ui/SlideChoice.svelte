<script lang="ts">
	import Choice from '$lib/ui/parts/Choice.svelte';

	/** Fingers, or a slide on one fret or two. */
	type Slide = 0 | 1 | 2;
	let { value, onchange }: { value: Slide; onchange: (slide: Slide) => void } = $props();
	const options = [
		{ value: '0', name: 'Fingers' },
		{ value: '1', name: 'Slide, one fret' },
		{ value: '2', name: 'Slide, two' }
	] as const;
</script>

<Choice
	label="Played with"
	{options}
	value={String(value) as '0'}
	onchange={(slide) => onchange(Number(slide) as Slide)}
/>
