<script lang="ts">
	import { chartTicks } from '$core/chart';
	import { BESIDE, carriesNumber, chordWidth, fittingSize } from '$lib/draw/chord-width';
	import type { TimeAxis } from '$lib/draw/strip-geometry';
	import { useTune } from '$lib/state/open-tune.svelte';
	import ChordText from '../ChordText.svelte';

	/** The chords over the strip, each at its change, as large as its room allows. */
	let { axis, width }: { axis: TimeAxis; width: number } = $props();
	const open = useTune();
	const names = $derived(
		open.chart.changes.flatMap((change, i) => {
			const until = open.chart.changes[i + 1]?.to.startTick ?? chartTicks(open.chart);
			const [a, b] = [Math.max(0, axis.x(change.to.startTick)), Math.min(width, axis.x(until))];
			const room = b - a - (carriesNumber(b - a, change.to.chord) ? BESIDE : 14);
			return b - a - 14 < 14 * chordWidth(change.to.chord)
				? []
				: [{ change, x: a + 9, size: fittingSize(change.to.chord, room, [38, 30, 24, 17, 13]) }];
		})
	);
</script>

{#each names as { change, x, size } (change.index)}
	<g
		class="pointer-events-none fill-second now:fill-now-ink next:fill-next-ink"
		data-tense={change.index === open.before?.index
			? 'now'
			: change.index === open.cursor && open.next
				? 'next'
				: undefined}
	>
		<ChordText chord={change.to.chord} {x} y={size > 30 ? 44 : 38} {size} />
	</g>
{/each}
