<script lang="ts">
	import { arcAt, arcPath } from '$lib/draw/strip-geometry';

	/** The way from this chord to the next: one tread a beat, those that are gone filled. */
	type Props = {
		from: number;
		to: number;
		y: number;
		rise: number;
		/** Beats of the way, and how many are left. */
		beats: number;
		left: number;
		scale: number;
	};
	let { from, to, y, rise, beats, left, scale }: Props = $props();
	const uid = $props.id();
	/** More treads than this would be a comb: then one stands for a bar's worth. */
	const MOST = 12;
	const unit = $derived(beats > MOST ? Math.ceil(beats / MOST) : 1);
	const count = $derived(Math.max(1, Math.ceil(beats / unit)));
	const gone = $derived(Math.ceil((beats - left + 1) / unit));
	const treads = $derived(
		Array.from({ length: count }, (_, i) => {
			const x = from + ((to - from) * (i + 0.2)) / count;
			return { x, y: arcAt(from, y, to, y + 12, rise, x), on: i < gone };
		})
	);
	const reached = $derived(treads[Math.min(count, gone) - 1]?.x ?? from);
</script>

<defs>
	<linearGradient id="{uid}-way" gradientUnits="userSpaceOnUse" x1={from} x2={to} y1="0" y2="0">
		<stop offset="0" class="[stop-color:var(--now-line)]" /><stop
			offset="1"
			class="[stop-color:var(--next-line)]"
		/>
	</linearGradient>
	<clipPath id="{uid}-gone">
		<rect x={from - 4} y={y - rise * 2 - 20} width={Math.max(0, reached - from + 4)} height="400" />
	</clipPath>
</defs>
<path
	class="fill-none"
	d={arcPath(from, y, to, y + 12, rise)}
	stroke="url(#{uid}-way)"
	stroke-width={4 * scale}
/>
<path
	class="fill-none stroke-now-line"
	d={arcPath(from, y, to, y + 12, rise)}
	clip-path="url(#{uid}-gone)"
	stroke-width={8 * scale}
/>
{#each treads as tread, i (i)}
	<rect
		class="fill-paper stroke-third stroke-2 data-on:fill-now data-on:stroke-now-line"
		data-on={tread.on || undefined}
		x={tread.x - 22 * scale}
		y={tread.y - 6 * scale}
		width={44 * scale}
		height={12 * scale}
	/>
{/each}
