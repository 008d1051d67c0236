<script lang="ts">
	import type { NeckMark } from './neck-marks';

	interface Props {
		marks: readonly NeckMark[];
		x: (fret: number) => number;
		y: (mark: NeckMark) => number;
	}
	/** Chord tones beside the window: small, a root as a diamond, half and half where both chords have it. */
	let { marks, x, y }: Props = $props();
</script>

{#each marks as mark (`${mark.string}-${mark.fret}`)}
	{@const root = (mark.now ?? mark.next)?.role === 'R'}
	<g class="pointer-events-none" transform="translate({x(mark.fret)},{y(mark)})">
		{#if root}
			<path
				class="now:fill-now-line next:fill-next-line"
				data-tense={mark.now ? 'now' : mark.next && !mark.now ? 'next' : undefined}
				d="M0,-5L5,0L0,5L-5,0Z"
			/>
		{:else if mark.now && mark.next}
			<path d="M-2.6,2.6A3.7,3.7 0 0 1 2.6,-2.6Z" class="fill-now-line" />
			<path d="M-2.6,2.6A3.7,3.7 0 0 0 2.6,-2.6Z" class="fill-next-line" />
		{:else}
			<circle
				class="now:fill-now-line next:fill-next-line"
				data-tense={mark.now ? 'now' : mark.next ? 'next' : undefined}
				r="3.7"
			/>
		{/if}
	</g>
{/each}
