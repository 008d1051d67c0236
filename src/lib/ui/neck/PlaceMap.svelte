<script lang="ts">
	import { fretWire, highestFret, lastPosition } from '$core/neck';
	import type { NeckCoverage } from '$lib/state/neck-coverage.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import PlaceHeat from './PlaceHeat.svelte';
	import PlaceStrip from './PlaceStrip.svelte';

	/** Where the chart lies: the strip of places for the whole chart, and each chord in each place. */
	type Props = {
		coverage: NeckCoverage;
		planned: readonly number[];
		leftHanded: boolean;
		/** Columns of equal width: the whole neck on a phone. */
		narrow: boolean;
		/** Each chord by itself, too. */
		chords: boolean;
	};
	let { coverage, planned, leftHanded, narrow, chords }: Props = $props();
	const open = useTune();
	const last = $derived(lastPosition(open.instrument));
	const total = $derived(fretWire(highestFret(open.instrument)));
	const edge = (wire: number) => (narrow ? Math.min(1, wire / last) : fretWire(wire) / total);
	const mirrored = (share: number) => (leftHanded ? 1 - share : share);
	const frame = $derived.by(() => {
		const [a, b] = [edge(open.position - 1), edge(open.position)];
		return { left: 100 * (leftHanded ? 1 - b : a), width: 100 * (b - a) };
	});
</script>

<div
	class="relative grid grid-cols-[58px_minmax(0,1fr)_2px] gap-y-1 data-left:grid-cols-[2px_minmax(0,1fr)_58px] max-tablet:grid-cols-[52px_minmax(0,1fr)] max-tablet:data-left:grid-cols-[52px_minmax(0,1fr)]"
	data-left={leftHanded || undefined}
>
	<span
		class="col-start-1 self-center pr-2 text-right text-reason font-bold in-data-left:col-start-3 in-data-left:py-0 in-data-left:pr-0 in-data-left:pl-2 in-data-left:text-left max-tablet:col-start-1 max-tablet:row-start-1 max-tablet:py-0 max-tablet:pr-2 max-tablet:pl-0 max-tablet:text-right"
		>Place</span
	>
	<div
		class="col-start-2 row-start-1 max-tablet:col-span-full max-tablet:row-start-2 max-tablet:text-left"
	>
		<PlaceStrip ranked={coverage.ranked} {planned} {leftHanded} />
	</div>
	{#if chords}<PlaceHeat {coverage} along={(wire) => mirrored(edge(wire))} />{/if}
	<div
		class="pointer-events-none relative col-start-2 row-[1_/_3] -my-1 max-tablet:col-start-2 max-tablet:row-start-3 {chords
			? ''
			: 'max-tablet:hidden'}"
		aria-hidden="true"
	>
		<i
			data-part="frame"
			class="absolute inset-y-0 border-3 border-ink"
			style="left:{frame.left}%;width:{frame.width}%"
		></i>
	</div>
</div>
