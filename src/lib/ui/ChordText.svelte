<script lang="ts">
	import { engrave, type Chord } from '$core/chord';

	/** A chord symbol inside SVG; `size` in px, `x`,`y` the base line's start. */
	type Props = { chord: Chord; x: number; y: number; size: number; class?: string };
	let { chord, x, y, size, class: look = '' }: Props = $props();

	/** Pieces with their size and rise in em of the root. */
	const runs = $derived.by(() => {
		const parts = engrave(chord);
		const ring = parts.raised.startsWith('°');
		const all = [
			{ text: parts.letter, em: 1, rise: 0 },
			{ text: parts.accidental, em: 0.84, rise: 0.2 },
			{ text: parts.minor ? 'm' : '', em: 0.74, rise: 0 },
			{ text: ring ? '°' : '', em: 0.9, rise: 0.14 },
			{ text: ring ? parts.raised.slice(1) : parts.raised, em: 0.54, rise: 0.36 },
			{ text: parts.bass && `/${parts.bass}`, em: 0.62, rise: 0 }
		].filter((run) => run.text !== '');
		return all.map((run, i) => ({ ...run, dy: (i === 0 ? 0 : all[i - 1].rise) - run.rise }));
	});
</script>

<text {x} {y} class="font-display font-extrabold {look}"
	>{#each runs as run (run.em)}<tspan font-size={run.em * size} dy={run.dy * size}>{run.text}</tspan
		>{/each}</text
>
