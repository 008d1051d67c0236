<script lang="ts">
	import { useTransport } from '$lib/state/transport.svelte';

	/** The changes of the tune or of the loop along the bottom: what is over, what sounds, what comes. */
	let { x, y, w }: { x: number; y: number; w: number } = $props();
	const transport = useTransport();
	const { open } = transport;

	/** Where a change stands, as a share of the tune or of the loop. */
	const stops = $derived.by(() => {
		const { from, to } = transport.range;
		return open.chart.changes
			.filter((change) => change.tick >= from && change.tick < to)
			.map((change) => ({
				index: change.index,
				share: (change.tick - from) / (to - from)
			}));
	});
	const spots = $derived.by(() => {
		const now = stops.find((stop) => stop.index === open.before?.index)?.share ?? 0;
		const next = stops.find((stop) => stop.index === open.cursor)?.share ?? 1;
		const after = stops.find((stop) => stop.share > next)?.share ?? 1;
		return { now, next: next > now ? next : 1, after: next > now ? after : 1 };
	});
</script>

<g transform="translate({x},{y})">
	<line class="stroke-strong stroke-2" x1="0" x2={w} y1="0" y2="0" />
	<line class="stroke-ink stroke-7" x1="0" x2={spots.now * w} y1="0" y2="0" />
	<line class="stroke-now stroke-7" x1={spots.now * w} x2={spots.next * w} y1="0" y2="0" />
	<line class="stroke-next stroke-7" x1={spots.next * w} x2={spots.after * w} y1="0" y2="0" />
	{#if stops.length <= 48}
		{#each stops as stop (stop.index)}
			<circle
				class="fill-paper stroke-third stroke-2 data-gone:fill-ink data-gone:stroke-ink"
				data-gone={stop.share <= spots.now || undefined}
				cx={stop.share * w}
				r={Math.min(7, w / 90)}
			/>
		{/each}
	{/if}
</g>
