<script lang="ts">
	import { samePlace, type Place } from '$core/neck';

	interface Props {
		/** From the landing before to the one that is looked at. */
		before: Place | null;
		target: Place | null;
		/** Tones that move by a semitone on their string. */
		moves: readonly { readonly mark: Place; readonly goal: Place }[];
		radius: number;
		x: (fret: number) => number;
		y: (place: Place) => number;
	}
	/** The ways between marks of the neck. */
	let { before, target, moves, radius, x, y }: Props = $props();
	const uid = $props.id();
</script>

{#if before && target && !samePlace(before, target)}
	{@const [x1, y1, x2, y2] = [x(before.fret), y(before), x(target.fret), y(target)]}
	<path
		class="pointer-events-none fill-none stroke-[4.5]"
		d="M{x1},{y1}Q{(x1 + x2) / 2},{Math.min(y1, y2) - 26} {x2},{y2}"
		stroke={`url(#${uid}-arc)`}
	/>
	<linearGradient id="{uid}-arc" gradientUnits="userSpaceOnUse" {x1} {y1} {x2} y2={y2 + 0.01}>
		<stop offset="0" class="[stop-color:var(--now-line)]" /><stop
			offset="1"
			class="[stop-color:var(--next-line)]"
		/>
	</linearGradient>
{/if}
{#each moves as { mark, goal } (`${mark.string}-${mark.fret}-${goal.fret}`)}
	{@const way = Math.sign(x(goal.fret) - x(mark.fret))}
	{@const [x1, x2] = [x(mark.fret) + way * radius, x(goal.fret) - way * (radius + 1)]}
	<path
		class="pointer-events-none fill-none stroke-ink stroke-2"
		d="M{x1},{y(mark)}L{x2},{y(goal)}m{-way * 5},-4l{way * 5},4l{-way * 5},4"
	/>
{/each}
