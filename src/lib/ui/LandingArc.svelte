<script lang="ts">
	/** An arc whose solid part is the share that lands, 0 … 1; dotted is not yet. `wide` fills its box. */
	let { share, wide = false }: { share: number; wide?: boolean } = $props();
	const id = $props.id();
	// The arc is drawn on a path of length 100, so that shares are dash lengths.
	const D = 'M3,24Q40,-14 77,24';
</script>

{#if wide}
	<svg viewBox="0 0 80 28" preserveAspectRatio="none" class="wide" aria-hidden="true">
		<clipPath {id}><rect x="0" y="-10" width={3 + 74 * share} height="48" /></clipPath>
		<path class="rest" d={D} />
		{#if share > 0}<path class="done" d={D} clip-path="url(#{id})" />{/if}
	</svg>
{:else}
	<svg viewBox="0 0 80 28" width="80" height="28" aria-hidden="true">
		<path class="rest" d={D} pathLength="100" />
		{#if share > 0}
			<path class="done" d={D} pathLength="100" stroke-dasharray="{100 * share} 200" />
		{/if}
	</svg>
{/if}

<style>
	path {
		fill: none;
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
	.wide {
		width: 100%;
		height: 100%;
	}
	.wide path {
		vector-effect: non-scaling-stroke;
	}
</style>
