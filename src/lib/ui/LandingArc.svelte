<script lang="ts">
	/** An arc whose solid part is the share that lands, 0 … 1; dotted is not yet. `wide` fills its box. */
	let { share, wide = false }: { share: number; wide?: boolean } = $props();
	// The arc is drawn on a path of length 100, so that shares are dash lengths.
	const D = 'M3,24Q40,-14 77,24';
</script>

<svg
	viewBox="0 0 80 28"
	width="80"
	height="28"
	preserveAspectRatio={wide ? 'none' : undefined}
	aria-hidden="true"
>
	<path class="rest" d={D} pathLength="100" />
	{#if share > 0}
		<path class="done" d={D} pathLength="100" stroke-dasharray="{100 * share} 200" />
	{/if}
</svg>

<style>
	path {
		fill: none;
		vector-effect: non-scaling-stroke;
	}
	.rest {
		stroke: var(--strong);
		stroke-width: 1.6;
		stroke-dasharray: 1.6 3.4;
	}
	.done {
		stroke: var(--ink);
		stroke-width: 3.4;
	}
</style>
