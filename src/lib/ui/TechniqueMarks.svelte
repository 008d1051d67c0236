<script lang="ts" generics="T extends DrawnNote">
	import type { DrawnNote } from '$lib/draw/played-signs';
	import { techniqueMarks, type Spot } from '$lib/draw/technique-marks';

	/** How notes are played, drawn at them: the same in strip, tab and stand view. */
	type Props = {
		notes: readonly T[];
		/** Where a note stands; null where it is out of sight. */
		spot: (note: T) => Spot | null;
		/** Of a note, in px. */
		size: number;
		/** Grace notes are small rings instead of frets. */
		ring?: boolean;
	};
	let { notes, spot, size, ring = false }: Props = $props();
	const marks = $derived(techniqueMarks(notes, spot, { size, ring }));
</script>

<g class="pointer-events-none" aria-hidden="true">
	{#each marks as { key, d, head, text } (key)}
		{#if d}<path
				data-part="technique"
				class="fill-none stroke-ink cap-round"
				stroke-width={Math.max(1.8, size * 0.08)}
				{d}
			/>{/if}
		{#if head}<path class="fill-ink" d={head} />{/if}
		{#if text}
			<text
				class="fill-ink stroke-paper stroke-[3px] font-bold [paint-order:stroke] anchor-middle"
				x={text.x}
				y={text.y}
				font-size={Math.max(12, size * 0.55)}>{text.says}</text
			>
		{/if}
	{/each}
</g>
